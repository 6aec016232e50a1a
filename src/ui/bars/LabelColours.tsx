"use client";

import { useState } from "react";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

export interface LabelColour {
  key: string;
  name: string;
  colour: string | null;
}

interface Props {
  colours: readonly LabelColour[];
  version: number;
  mayEdit: boolean;
  action: FormAction;
}

/** What a colour field shows before somebody chose one. */
const UNCHOSEN = "#808080";

/** The gym's own colours: one for each family that shall have one. */
export function LabelColours({ colours, version, mayEdit, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <section className="sheet px-4 py-3" aria-labelledby="colours">
      <h2 id="colours" className="text-sm font-bold">
        Colours of the families
      </h2>
      <p className="text-quiet mb-2 text-sm">Your gym chooses. A colour helps; the tag is what counts.</p>
      <form action={send} key={version}>
        <input type="hidden" name="version" value={form.version ?? version} />
        <ul>
          {colours.map((one) => (
            <ColourRow key={one.key} family={one.key} name={one.name} colour={one.colour} isDisabled={!mayEdit} />
          ))}
        </ul>
        {mayEdit && (
          <div className="mt-2 flex items-center gap-3">
            <button className="btn btn-neutral" disabled={isPending}>
              Save colours
            </button>
            <FormMessage state={form} />
          </div>
        )}
      </form>
    </section>
  );
}

interface RowProps {
  family: string;
  name: string;
  colour: string | null;
  isDisabled: boolean;
}

function ColourRow({ family, name, colour, isDisabled }: RowProps) {
  const [has, setHas] = useState(colour !== null);
  return (
    <li className="flex min-h-11 items-center gap-3">
      <label className="flex grow items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          name={`has-${family}`}
          checked={has}
          onChange={(event) => setHas(event.target.checked)}
          disabled={isDisabled}
        />
        {name}
      </label>
      {has && (
        <input
          type="color"
          name={family}
          aria-label={`Colour of ${name}`}
          defaultValue={colour ?? UNCHOSEN}
          disabled={isDisabled}
          className="h-8 w-12 cursor-pointer"
        />
      )}
    </li>
  );
}
