import type { RoundStop } from "@/server/care/rounds";

/**
 * One task of the bar in hand: what is done, why, and, where a bar has several, whether this one was done. A check wants
 * its result instead.
 */
export function RoundTask({
  task: { key, name, steps, cautions, reason, overdueDays, answers },
  choice,
  result,
}: {
  task: RoundStop["tasks"][number];
  choice: { isDone: boolean; toggle: () => void } | null;
  result: { found: string | undefined; choose: (answer: string) => void };
}) {
  const title = (
    <>
      <strong className="text-xl">{name}</strong>
      {overdueDays > 0 && <span className="text-accent font-bold"> {overdueDays} days late</span>}
    </>
  );
  return (
    <>
      {choice && answers.length === 0 ? (
        <label className="flex min-h-11 items-center gap-3">
          <input type="checkbox" className="checkbox" checked={choice.isDone} onChange={choice.toggle} />
          <span>{title}</span>
        </label>
      ) : (
        title
      )}
      {answers.length > 0 && (
        <fieldset className="my-2 grid gap-2 sm:grid-cols-2">
          <legend className="sr-only">Result: {name}</legend>
          {answers.map((answer) => (
            <label
              key={answer.key}
              className={`flex min-h-14 cursor-pointer items-center gap-3 border-2 px-3 text-lg ${
                answer.key !== result.found
                  ? "border-base-300"
                  : answer.isSound
                    ? "border-primary bg-primary/10 font-bold"
                    : "border-error bg-error/10 font-bold"
              }`}
            >
              <input
                type="radio"
                name={`result ${key}`}
                className="radio"
                checked={answer.key === result.found}
                onChange={() => result.choose(answer.key)}
              />
              {answer.name}
            </label>
          ))}
        </fieldset>
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
