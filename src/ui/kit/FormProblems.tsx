import type { FormState } from "./formState";
import { ProblemList } from "./ProblemList";

interface Props {
  form: FormState;
  /** Whether a problem stands beside its field already. */
  isBeside?: (path: string) => boolean;
  className?: string;
}

/** What is wrong with a form, each problem once, without what its message says already. */
export function FormProblems({ form, isBeside = () => false, className = "" }: Props) {
  const said = form.problems.filter(({ path, message }) => message !== form.message && !isBeside(path));
  return <ProblemList of={said.map(({ message }) => message)} className={className} />;
}
