import type { NumberRule } from "@/core/units/numberRule";
import { useChecked } from "../kit/checkedField";
import type { FormState } from "../kit/formState";
import { UnitInput, UnitName } from "../kit/shown";

interface Props {
  name: string;
  rule: Pick<NumberRule, "label" | "unit">;
  /** As the rules stand; what was typed and refused comes before it. */
  value: string | number;
  form: FormState;
  isDisabled: boolean;
}

/** One number of the house's rules in the reader's unit, and its problem below. */
export function RuleNumber({ name, rule: { label, unit }, value, form, isDisabled }: Props) {
  const { registered, problem } = useChecked(name);
  const problems = problem
    ? [problem]
    : form.problems.filter(({ path }) => path === name).map(({ message }) => message);
  const text = (form.status === "refused" ? form.typed[name] : undefined) ?? String(value);
  const attributes = {
    ...registered,
    name,
    disabled: isDisabled,
    "aria-invalid": problems.length > 0,
    className: "input input-sm w-24 text-right",
  };
  const isTurned = unit === "kg" || unit === "mm";
  return (
    <div className="text-sm">
      <label className="flex items-center justify-between gap-2">
        <span>{label}</span>
        <span className="flex items-center gap-1">
          {isTurned && text !== "" && Number.isFinite(Number(text)) ? (
            <UnitInput {...attributes} unit={unit} value={Number(text)} />
          ) : (
            <input
              {...attributes}
              data-unit={isTurned ? unit : undefined}
              defaultValue={text}
              inputMode={isTurned ? "text" : "decimal"}
            />
          )}
          <span className="unit min-w-6">
            <UnitName of={unit} />
          </span>
        </span>
      </label>
      {problems.map((message) => (
        <p key={message} className="text-error">
          {message}
        </p>
      ))}
    </div>
  );
}
