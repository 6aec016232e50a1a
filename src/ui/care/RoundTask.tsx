import type { RoundStop } from "@/server/care/rounds";

/** One task of the bar in hand: what is done, why, and, where a bar has several, whether this one was done. */
export function RoundTask({
  task: { name, steps, cautions, reason, overdueDays },
  choice,
}: {
  task: RoundStop["tasks"][number];
  choice: { isDone: boolean; toggle: () => void } | null;
}) {
  const title = (
    <>
      <strong className="text-xl">{name}</strong>
      {overdueDays > 0 && <span className="text-accent font-bold"> {overdueDays} days late</span>}
    </>
  );
  return (
    <>
      {choice ? (
        <label className="flex min-h-11 items-center gap-3">
          <input type="checkbox" className="checkbox" checked={choice.isDone} onChange={choice.toggle} />
          <span>{title}</span>
        </label>
      ) : (
        title
      )}
      <ol className="list-inside list-decimal">
        {steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      {cautions.map((caution) => (
        <p key={caution} className="border-accent my-1 border-l-4 pl-2 text-sm font-semibold">
          {caution}
        </p>
      ))}
      <p className="text-quiet text-sm">{reason}</p>
    </>
  );
}
