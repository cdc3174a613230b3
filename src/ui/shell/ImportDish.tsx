"use client";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { type Answer, ask, reason } from "./ask";

const DRAFT = "rondeau.import.draft";

/** Brings in a dish file, dropped, chosen or pasted. A refused file stays in the box with all that is wrong beside it. */
export function ImportDish() {
  const router = useRouter();
  const [text, setText] = useState("");
  const [answer, setAnswer] = useState<Answer>();
  const [busy, setBusy] = useState(false);
  useEffect(() => setText(sessionStorage.getItem(DRAFT) ?? ""), []);
  const write = (value: string) => {
    setText(value);
    try {
      sessionStorage.setItem(DRAFT, value);
    } catch {
      // A file too large to keep as a draft is on the cook's disk anyway.
    }
  };
  const send = async () => {
    setBusy(true);
    const got = await ask("/api/dishes", "POST", text);
    setBusy(false);
    setAnswer(got);
    if (!got.ok) return;
    write("");
    router.push(`/d/${(got.body.value as { slug: string }).slug}/dish`);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <h2 className="caps mb-1 font-sans font-normal">Bring in a dish</h2>
      <label className="block pb-2 text-[14px]">
        A dish file
        <input
          type="file"
          accept=".json,application/json"
          className="mt-1 block w-full text-[13.5px] text-quiet file:mr-3 file:min-h-[36px] file:rounded file:border file:border-rim file:bg-transparent file:px-3 file:font-medium file:text-rim"
          onChange={async (e) => write((await e.target.files?.[0]?.text()) ?? "")}
        />
      </label>
      <label className="block text-[14px]">
        or its text
        <textarea
          value={text}
          onChange={(e) => write(e.target.value)}
          rows={7}
          spellCheck={false}
          className="field clock mt-1 w-full py-1.5 text-[12.5px]"
        />
      </label>
      <button type="submit" className="act mt-2" data-main disabled={busy || text.trim() === ""}>
        {busy ? "Checking" : "Check it and bring it in"}
      </button>
      {answer && !answer.ok && (
        <div role="alert" className="mt-3 border-l-[3px] border-beet pl-3 text-[14px]">
          <p>
            Nothing was kept.{" "}
            {answer.body.problems
              ? `${answer.body.problems.length === 1 ? "One thing is" : `${answer.body.problems.length} things are`} wrong:`
              : reason(answer)}
          </p>
          <ul className="max-h-60 overflow-auto">
            {answer.body.problems?.slice(0, 60).map((p) => (
              <li key={p.path + p.message} className="py-0.5">
                {p.path && <span className="clock text-[12.5px]">{p.path} </span>}
                {p.message}
              </li>
            ))}
          </ul>
        </div>
      )}
    </form>
  );
}
