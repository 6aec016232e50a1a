"use client";

import { DayField } from "../kit/DayField";
import { Fragment, type ChangeEventHandler, type ReactNode, useState } from "react";
import { PURPOSE_WORDS, PURPOSES } from "@/core/matching/lifter";
import { MAX_ROTATION_WEEKS, MAX_SESSIONS, MIN_ROTATION_WEEKS, WEEKDAYS } from "@/core/rotation/readWish";
import { SCHOOL_WORDS, SCHOOLS, type School, waveOf } from "@/core/rotation/rotationWish";
import { CheckedForm } from "../kit/CheckedForm";
import { FieldProblem } from "../kit/FieldProblem";
import { Field, FormMessage } from "../kit/FormParts";
import { Options } from "../kit/Options";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  id: string | null;
  version: number;
  start: Readonly<Record<string, string>>;
  chosen: readonly string[];
  lifters: readonly { id: string; name: string }[];
  lifts: readonly { key: string; name: string }[];
  action: FormAction;
}

const field = "input input-sm";

/** A number that something else on the form follows as it is typed, and that is checked as it is left. */
function counted(attributes: object, value: string, onType: (text: string) => void) {
  const { onChange, ...rest } = attributes as { onChange?: ChangeEventHandler<HTMLInputElement> };
  return (
    <input
      {...rest}
      inputMode="numeric"
      defaultValue={value}
      onChange={(event) => {
        onChange?.(event);
        onType(event.target.value);
      }}
      className={`${field} w-20`}
    />
  );
}
const dayName = (day: string) => day[0]!.toUpperCase() + day.slice(1);

/** A label of one of the sessions, which stand in rows under one another. */
const OfSession = ({ i, children }: { i: number; children: ReactNode }) => (
  <>
    <span className="sr-only">Session {i + 1}, </span>
    {children}
  </>
);

/** Who, which lift, which weeks, by which school: everything a rotation is planned from. */
export function RotationForm({ id, version, start, chosen, lifters, lifts, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const value = (name: string, otherwise = "") => form.typed[name] ?? start[name] ?? otherwise;
  const ticked = form.typed.lifterIds === undefined ? chosen : form.typed.lifterIds.split(" ");
  const [school, setSchool] = useState<School>((value("school", "weekly") as School) || "weekly");
  const [weeks, setWeeks] = useState(value("weeks", "8"));
  const [blockWeeks, setBlockWeeks] = useState(value("blockWeeks", "3"));
  const own = waveOf(school, Math.min(MAX_ROTATION_WEEKS, Number(weeks) || 8), Number(blockWeeks) || 3).join(", ");
  const typed = (name: string, label: ReactNode, otherwise: string, width: string, placeholder?: string) => (
    <Field state={form} name={name} label={label}>
      {(attributes) => (
        <input
          {...attributes}
          placeholder={placeholder}
          defaultValue={value(name, otherwise)}
          className={`${field} ${width}`}
        />
      )}
    </Field>
  );
  const number = (name: string, label: string, otherwise: string) => typed(name, label, otherwise, "w-20");
  return (
    <CheckedForm kind="rotation" {...{ form, send, isPending }} className="grid gap-4 text-sm">
      {id && <input type="hidden" name="id" value={id} />}
      <input type="hidden" name="version" value={form.version ?? version} />
      <div className="flex flex-wrap items-end gap-3">
        {typed("name", "Name", "Rotation", "w-56")}
        <Field state={form} name="liftKey" label="Lift">
          {(attributes) => (
            <select {...attributes} defaultValue={value("liftKey")} className="select select-sm w-48">
              <Options of={lifts.map(({ key, name }) => [key, name])} />
            </select>
          )}
        </Field>
        <Field state={form} name="startsOn" label="First week, any day of it">
          {(attributes) => <DayField {...attributes} start={value("startsOn")} className={`${field} w-40`} />}
        </Field>
        <Field state={form} name="weeks" label={`Weeks, ${MIN_ROTATION_WEEKS} to ${MAX_ROTATION_WEEKS}`}>
          {(attributes) => counted(attributes, weeks, setWeeks)}
        </Field>
      </div>
      <fieldset>
        <legend className="font-bold">Lifters</legend>
        <div className="flex flex-wrap gap-x-5">
          {lifters.map((one) => (
            <label key={one.id} className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                name="lifterIds"
                value={one.id}
                defaultChecked={ticked.includes(one.id)}
                className="checkbox checkbox-sm"
              />
              {one.name}
            </label>
          ))}
        </div>
        <FieldProblem state={form} name="lifterIds" />
      </fieldset>
      <fieldset>
        <legend className="font-bold">How to rotate</legend>
        <div className="grid gap-x-6 md:grid-cols-2">
          {SCHOOLS.map((key) => (
            <label key={key} className="flex min-h-11 items-start gap-2 py-2">
              <input
                type="radio"
                name="school"
                value={key}
                checked={school === key}
                onChange={() => setSchool(key)}
                className="radio radio-sm mt-0.5"
              />
              <span>
                <strong>{SCHOOL_WORDS[key].name}</strong>
                <span className="text-quiet block">{SCHOOL_WORDS[key].about}</span>
              </span>
            </label>
          ))}
        </div>
        <div className="flex flex-wrap items-end gap-3 pt-1">
          {school === "block" ? (
            <Field state={form} name="blockWeeks" label="Weeks a block">
              {(attributes) => counted(attributes, blockWeeks, setBlockWeeks)}
            </Field>
          ) : (
            number("maxRun", "Weeks in a row on one bar, at most", school === "weekly" ? "1" : "4")
          )}
          <div className="grow">
            {typed("wave", "Wave: percent of the straight bar, one a week", "", "w-full max-w-96", own)}
          </div>
        </div>
      </fieldset>
      <fieldset>
        <legend className="font-bold">Sessions of each week</legend>
        {Array.from({ length: MAX_SESSIONS }, (_, i) => (
          <div key={i} className="flex flex-wrap items-end gap-3 pt-1">
            <Field state={form} name={`session.${i}.weekday`} label={<OfSession i={i}>day</OfSession>}>
              {(attributes) => (
                <select
                  {...attributes}
                  defaultValue={value(`session.${i}.weekday`, i === 0 ? "tuesday" : "")}
                  className="select select-sm w-36"
                >
                  <Options of={[["", "none"], ...WEEKDAYS.map((day) => [day, dayName(day)] as const)]} />
                </select>
              )}
            </Field>
            {(
              [
                ["startsAt", "at", "18:30", "w-20"],
                ["repetitions", "repetitions", "5", "w-16"],
                ["reserve", "left in reserve", "2", "w-16"],
                ["lighterPct", "lighter by, %", "0", "w-16"],
              ] as const
            ).map(([name, label, otherwise, width]) => (
              <Fragment key={name}>
                {typed(`session.${i}.${name}`, <OfSession i={i}>{label}</OfSession>, otherwise, width)}
              </Fragment>
            ))}
            <Field state={form} name={`session.${i}.purpose`} label={<OfSession i={i}>sets for</OfSession>}>
              {(attributes) => (
                <select
                  {...attributes}
                  defaultValue={value(`session.${i}.purpose`, "general")}
                  className="select select-sm w-44"
                >
                  <Options of={PURPOSES.map((key) => [key, PURPOSE_WORDS[key]])} />
                </select>
              )}
            </Field>
          </div>
        ))}
      </fieldset>
      <div className="flex flex-wrap items-end gap-3">
        {number("sharing", "Lifters who can share a bar in one session", "3")}
        {number("competitionWeeks", "Weeks before a competition on its bar", "3")}
        {number("lightBelowPct", "A week is light below, %", "75")}
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <button className="btn btn-neutral" disabled={isPending}>
          {isPending ? "Planning …" : "Plan"}
        </button>
        <FormMessage state={form} />
      </div>
    </CheckedForm>
  );
}
