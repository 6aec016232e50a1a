"use client";

import { lazy, Suspense, type ComponentProps } from "react";
import type { FieldsForm as Form } from "./FieldsForm";

const Fetched = lazy(async () => ({ default: (await import("./FieldsForm")).FieldsForm }));

/** A form in a row that opens: fetched when somebody opens one, since most come to look. */
export function LazyFieldsForm(props: ComponentProps<typeof Form>) {
  return (
    <Suspense fallback={<p className="text-quiet min-h-40 text-sm">…</p>}>
      <Fetched {...props} />
    </Suspense>
  );
}
