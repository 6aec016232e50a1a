"use client";

import { fieldNumber, type Units } from "@/core/units/shown";
import { useShown } from "../kit/shown";

const SIGNED = /^([+−-]?)\s*(\d+(?:[.,]\d+)?)$/;

/** A height above the floor, or with its sign against a full plate's, as the person counts. */
const shownWish = (text: string, units: Units): string => {
  const [, sign, digits] = SIGNED.exec(text.trim()) ?? [];
  return digits === undefined ? text : `${sign}${fieldNumber(Number(digits.replace(",", ".")), "mm", units)}`;
};

/** Where the grip is wished to be: above the floor, or above (+) or below (−) a full plate's height. */
export function WishInput({ value }: { value: string }) {
  const { units } = useShown();
  const text = shownWish(value, units);
  return (
    <input
      name="height"
      key={text}
      data-unit="mm"
      data-kept={value}
      defaultValue={text}
      placeholder={units.length === "mm" ? "+50 or 275" : "+2 or 11"}
      size={9}
    />
  );
}
