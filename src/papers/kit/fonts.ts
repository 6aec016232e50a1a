import { Font } from "@react-pdf/renderer";
import { join } from "node:path";

/*
 * The faces of a PDF: Archivo as on the screens, and Noto for letters that it lacks. Each package has its face in slices
 * by script; a text names them all in order, and every letter comes from the first slice that has it.
 */

const SLICES = [
  ["archivo", "latin"],
  ["archivo", "latin-ext"],
  ["archivo", "vietnamese"],
  ["noto-sans", "latin"],
  ["noto-sans", "latin-ext"],
  ["noto-sans", "greek"],
  ["noto-sans", "greek-ext"],
  ["noto-sans", "cyrillic"],
  ["noto-sans", "cyrillic-ext"],
  ["noto-sans", "vietnamese"],
  ["noto-sans", "devanagari"],
  ["noto-sans-hebrew", "hebrew"],
  ["noto-sans-arabic", "arabic"],
  // Arrows and other signs.
  ["noto-sans-symbols", "symbols"],
] as const;

const faceOf = ([face, script]: (typeof SLICES)[number]) => `${face} ${script}`;

/** Every slice in the order in which it is asked. */
export const FACES: string[] = SLICES.map(faceOf);

let isRegistered = false;

/** Makes the faces known to the renderer; they are read from disk when a document first needs them. */
export function registerFonts(): void {
  if (isRegistered) return;
  isRegistered = true;
  for (const slice of SLICES) {
    const [face, script] = slice;
    const file = (weight: number, style: string) =>
      join(process.cwd(), "node_modules/@fontsource", face, "files", `${face}-${script}-${weight}-${style}.woff`);
    // Only Archivo leans; what it lacks stands upright and is read all the same.
    const slanted = face === "archivo" ? "italic" : "normal";
    Font.register({
      family: faceOf(slice),
      fonts: [400, 700].flatMap((weight) => [
        { src: file(weight, "normal"), fontWeight: weight, fontStyle: "normal" as const },
        { src: file(weight, slanted), fontWeight: weight, fontStyle: "italic" as const },
      ]),
    });
  }
  // A word is never broken: tags and numbers must be found whole.
  Font.registerHyphenationCallback((word) => [word]);
}

/** What none of the faces has. */
const UNKNOWN =
  /[^\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}\p{Script=Devanagari}\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Common}\p{Script=Inherited}]|\p{Extended_Pictographic}(?<![0-9#*©®™↔↕↖-↙])/gu;

/**
 * The same with the sign for an unknown letter in place of each letter that no face has, rather than another letter: Chinese, Japanese, Korean
 * and Thai faces are larger than the rest of the program. Bytes are left alone.
 *
 * @returns a copy of texts, lists and plain objects
 */
export function printable<T>(value: T): T {
  if (typeof value === "string") return value.replace(UNKNOWN, "\ufffd") as T;
  if (Array.isArray(value)) return value.map(printable) as T;
  if (value === null || typeof value !== "object" || Object.getPrototypeOf(value) !== Object.prototype) return value;
  return Object.fromEntries(Object.entries(value).map(([key, own]) => [key, printable(own)])) as T;
}
