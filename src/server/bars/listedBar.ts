import "server-only";
import type { Bar } from "@/core/bars/bar";

/** A bar of the list: what the computation needs, and where it hangs. */
export interface ListedBar {
  id: string;
  bar: Bar;
  place: string | null;
  placeOrder: number;
  version: number;
}
