"use client";

import { fetched } from "./fetched";

/** A form in a row that opens: most come to look. */
export const LazyFieldsForm = fetched(async () => (await import("./FieldsForm")).FieldsForm);
