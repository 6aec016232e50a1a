import { Say } from "./shown";

/** What is wrong, read out when it appears; nothing where nothing is. */
export function ProblemList({ of, id, className = "" }: { of: readonly string[]; id?: string; className?: string }) {
  const said = [...new Set(of)];
  if (said.length === 0) return null;
  return (
    // The list inside of what is read out: as the alert itself it would be no list any more.
    <div id={id} role="alert" className={`text-error basis-full text-sm ${className}`}>
      <ul className={said.length > 1 ? "list-disc pl-5" : ""}>
        {said.map((message) => (
          <li key={message}>
            <Say text={message} />
          </li>
        ))}
      </ul>
    </div>
  );
}
