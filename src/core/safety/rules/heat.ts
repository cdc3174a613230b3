// Heat that nobody watches, and fire under a roof.
import { withStep } from "../../dish/edit/places";
import { spokenDuration } from "../../time/duration";
import { cautioned, doublings, type Finding } from "../finding";
import { likelyMinutes } from "../part";
import type { SafetyScene } from "../scene";
import { heatOf } from "../states/process";

const WATCHED_ENOUGH_MIN = 30;
const HOT = new Set(["burner", "oven", "grill"]);
/** Closed appliances that are made to be left. */
const MADE_FOR_IT = /slow cooker|slow pot|rice cooker|dehydrator|yogh?urt maker|immersion|water bath|circulator/i;
const FIRE =
  /charcoal|coals?\b|wood fire|open fire|\bover (?:wood|oak|beech|hickory|apple ?wood|logs|embers)\b|wood ?chips|smoker|barbecue|kamado|firepit|fire pit|hibachi|konro|brazier|binchotan|briquettes?|lumpwood|camping (?:stove|gas)|braai|tandoor/i;
const OUTDOORS = /outdoor|outside|garden|yard|terrace|patio|courtyard/i;
const INDOORS =
  /\b(?:indoors?|inside (?:the |our |your |a )?(?:house|home|flat|room|tent|garage|kitchen)|garage|balcony|cellar|kitchen|tent|shed|dining room|living room|hall|cabin|conservatory|on the (?:dining )?table|carport|porch|fireplace)\b/i;

/** So long a heat may run on while nobody looks, min. */
const LEFT_ON_MIN = 60;
const NIGHT = /\b(?:overnight|through the night|all night|while (?:you|we|everybody) sleeps?|before (?:going to )?bed)\b/i;
const AWAY =
  /\b(?:while|when|with) (?:nobody|no[- ]one|everybody|everyone|you|we|i)(?:['’](?:re|m)| is| are| am)? (?:at home|home|in|there|out|away|at work|gone|shopping)\b|\b(?:and|then) go (?:out|to work|shopping)\b|[,;(–-] ?(?:nobody|no[- ]one) (?:at home|in|there|watching|around|about)\b/i;
/** Heat that by the words of its step goes on through the night or in an empty house, whatever a plan makes of it. */
export function heatAtNight({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part) =>
    part.steps.flatMap((step): Finding[] => {
      const heat = heatOf(step);
      // Ten minutes' heat, and then a night of standing: nothing is left on.
      const night = NIGHT.test(step.words) && likelyMinutes(step.step) >= LEFT_ON_MIN;
      const away = AWAY.test(step.words) && !/\b(?:we|you|i)(?:['’]re| are| am|['’]m)? (?:at home|home|in|there)\b/i.test(step.words);
      if (!heat || !(night || away) || ["slow", "bath", "warm"].includes(heat.medium) || MADE_FOR_IT.test(step.words)) return [];
      return [
        cautioned("unattended-heat", `night:${step.ref}`, {
          component: part.component.id,
          step: step.ref,
          computed: `“${step.name}” leaves heat on ${night ? "at night" : "while nobody is there"}, for ${spokenDuration(heat.minutes)}.`,
          mends: [
            {
              label: "By day, with someone there",
              apply: (d) =>
                withStep(d, step.place, (s) => ({
                  ...s,
                  name: (s.name ?? "")
                    .replace(/,? ?\b(?:overnight|(?:all |through )the night|all night)\b/i, "")
                    .replace(AWAY, "")
                    .trim(),
                  attention: "nearby",
                  sleepOk: false,
                })),
            },
          ],
        }),
      ];
    }),
  );
}

export function unattendedHeat({ parts, asleep }: SafetyScene): Finding[] {
  return parts.flatMap((part) =>
    part.steps.flatMap((step): Finding[] => {
      const p = step.planned;
      const hot = (step.step.uses ?? []).find((u) => HOT.has(u.what));
      if (
        !p ||
        !hot ||
        p.state === "done" ||
        MADE_FOR_IT.test(step.words) ||
        (step.step.uses ?? []).some((u) => MADE_FOR_IT.test(u.what.replaceAll("-", " ")))
      )
        return [];
      const alone = asleep.reduce((sum, [from, to]) => sum + Math.max(0, Math.min(p.end, to) - Math.max(p.start, from)), 0);
      if (alone <= WATCHED_ENOUGH_MIN) return [];
      return [
        cautioned("unattended-heat", step.ref, {
          component: part.component.id,
          step: step.ref,
          basis: "planned",
          known: doublings(alone),
          computed: `The ${hot.what} is on for “${step.name}” while everyone sleeps, for ${spokenDuration(Math.round(alone))}.`,
          mends: [{ label: "Not while everyone sleeps", apply: (d) => withStep(d, step.place, (s) => ({ ...s, sleepOk: false })) }],
        }),
      ];
    }),
  );
}

export function fireIndoors({ parts, document }: SafetyScene): Finding[] {
  return parts.flatMap((part) =>
    part.steps.flatMap((step): Finding[] => {
      const things = (step.step.uses ?? [])
        .map((u) => document.kitchen?.equipment?.find((e) => e.kind === u.what))
        .map((e) => `${e?.name ?? ""} ${e?.kind ?? ""}`);
      const words = `${step.words} ${things.join(" ")} ${(step.step.uses ?? []).map((u) => u.what).join(" ")}`;
      if (!FIRE.test(words)) return [];
      const inside = INDOORS.test(words) && !OUTDOORS.test(words);
      if (!inside && OUTDOORS.test(words)) return [];
      return [
        cautioned("carbon-monoxide", step.ref, {
          component: part.component.id,
          step: step.ref,
          severity: inside ? "stop" : "warn",
          computed: inside
            ? `“${step.name}” burns charcoal or wood indoors.`
            : `“${step.name}” burns charcoal or wood, and it is not said to be outdoors.`,
          mends: [
            {
              label: "It is outdoors",
              apply: (d) => withStep(d, step.place, (s) => ({ ...s, note: `${s.note ? `${s.note} ` : ""}Outdoors.` })),
            },
          ],
        }),
      ];
    }),
  );
}
