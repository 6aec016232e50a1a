import type { ReactNode } from "react";

/** What a cell is sorted, filtered and copied by, and how it looks where that is not the same. */
export interface DataCell {
  value: string | number | null;
  node?: ReactNode;
}

export interface DataColumn {
  key: string;
  head: ReactNode;
  /** The head in a file and in the list of columns, where `head` is more than a text. */
  name?: string;
  isNumber?: boolean;
  /** Hidden until somebody asks for it. */
  isHidden?: boolean;
  /** Left out on a telephone. */
  isWide?: boolean;
  /** Holds buttons or drawings: neither sorted nor copied. */
  isPlain?: boolean;
}

export interface DataRow {
  id: string;
  /** By the key of the column. */
  cells: Readonly<Record<string, DataCell>>;
  /** Opens below the row. */
  more?: ReactNode;
}

/** What a column is called in a file and in the list of columns. */
export const nameOf = ({ name, head, key }: DataColumn): string => name ?? (typeof head === "string" ? head : key);

/** Where its cells stand, and on which screens. */
export const placed = ({ isNumber, isWide }: DataColumn): string =>
  `${isNumber ? "text-right tabular-nums" : "text-left"} ${isWide ? "max-md:hidden" : ""}`;
