import type { FormState } from "../kit/formState";

interface Props {
  name: string;
  label: string;
  unit: string;
  /** As the rules stand; what was typed and refused comes before it. */
  value: string | number;
  form: FormState;
  isDisabled: boolean;
}

/** One number of the house's rules with its unit, and its problem below. */
export function RuleNumber({ name, label, unit, value, form, isDisabled }: Props) {
  const problems = form.problems.filter(({ path }) => path === name);
  const typed = form.status === "refused" ? form.typed[name] : undefined;
  return (
    <div className="text-sm">
      <label className="flex items-center justify-between gap-2">
        <span>{label}</span>
        <span className="flex items-center gap-1">
          <input
            name={name}
            defaultValue={typed ?? value}
            inputMode="decimal"
            disabled={isDisabled}
            aria-invalid={problems.length > 0}
            className="input input-sm w-20 text-right"
          />
          <span className="unit min-w-6">{unit}</span>
        </span>
      </label>
      {problems.map(({ message }) => (
        <p key={message} className="text-error">
          {message}
        </p>
      ))}
    </div>
  );
}
