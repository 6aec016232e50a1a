import { Say } from "./shown";
import type { FormState } from "./formState";

interface Props {
  form: FormState;
  /** Whether a problem stands beside its field already. */
  isBeside?: (path: string) => boolean;
  className?: string;
}

/** What is wrong with a form, each problem once, without what its message says already. */
export function FormProblems({ form, isBeside = () => false, className = "" }: Props) {
  const said = new Set(
    form.problems
      .filter(({ path, message }) => message !== form.message && !isBeside(path))
      .map(({ message }) => message),
  );
  if (said.size === 0) return null;
  return (
    // The list inside of what is read out: as the alert itself it would be no list any more.
    <div role="alert" className={`text-error basis-full text-sm ${className}`}>
      <ul className="list-disc pl-5">
        {[...said].map((message) => (
          <li key={message}>
            <Say text={message} />
          </li>
        ))}
      </ul>
    </div>
  );
}
