import { countDishes } from "@/db/queries/dishes";
import { backupState } from "@/server/backups";
import { readerConventions } from "@/server/conventions";
import { database } from "@/server/database";
import { Backups } from "@/ui/shell/Backups";
import { SettingsForm } from "@/ui/shell/SettingsForm";
import { SETTINGS } from "@/words/settings";

export const dynamic = "force-dynamic";
export const metadata = { title: SETTINGS.title };

export default async function SettingsPage() {
  return (
    <div className="max-w-[46rem]">
      <h1 className="text-[30px]">{SETTINGS.title}</h1>
      <p className="pb-4 text-quiet">{SETTINGS.lead}</p>
      <SettingsForm chosen={await readerConventions()} />
      <div className="pt-10">
        <Backups {...(await backupState(await countDishes(await database())))} />
      </div>
    </div>
  );
}
