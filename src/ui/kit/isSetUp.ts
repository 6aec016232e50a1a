import { FAMILIES, type FamilyKey } from "@/core/bars/families";

/** Whether anything of a bar is set; straight and zigzag bars are taken as they are. */
export const isSetUp = (family: FamilyKey) =>
  FAMILIES[family].form !== "straight" && FAMILIES[family].form !== "zigzag";
