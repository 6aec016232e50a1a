"use client";

import type { ComponentProps } from "react";
import { fetched } from "../kit/fetched";
import { OnceOpen } from "../kit/OnceOpen";
import type { ClassForm as Form } from "./ClassForm";

const ClassForm = fetched(async () => (await import("./ClassForm")).ClassForm);

/** When and where a class is, below its board: changed once a season. */
export function FoldedClassForm(props: ComponentProps<typeof Form>) {
  return (
    <OnceOpen
      summary="When and where"
      className="sheet mt-3 px-4"
      summaryClass="min-h-11 cursor-pointer py-3 text-sm font-semibold"
    >
      {() => (
        <div className="pb-4">
          <ClassForm key={props.version} {...props} />
        </div>
      )}
    </OnceOpen>
  );
}
