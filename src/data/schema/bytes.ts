import { customType } from "drizzle-orm/pg-core";

/** Bytes as they are: photos. */
export const bytes = customType<{ data: Buffer; default: false }>({ dataType: () => "bytea" });
