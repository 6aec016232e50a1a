/** What nobody types and somebody sends: into fields, addresses and bodies. */
export const HOSTILE_TEXTS = [
  "",
  " ",
  "\0",
  "a\0b",
  "..",
  "../../etc/passwd",
  ".",
  "%",
  "%00",
  "00000000-0000-0000-0000-000000000000",
  "----------------f---f----------------".slice(0, 36),
  "------------------------------------",
  "ffffffff-ffff-ffff-ffff-fffffffffffg",
  "\u202Egnp.exe",
  "K\u200B01",
  "\uD800",
  "\uFFFF",
  "😀".repeat(50),
  "x".repeat(5_000),
  "NaN",
  "Infinity",
  "-Infinity",
  "1e308",
  "-1e308",
  "1e-300",
  "9007199254740993",
  "2147483648",
  "-1",
  "-0",
  "0x10",
  "1,5",
  "null",
  "undefined",
  "true",
  "[]",
  "{}",
  '{"__proto__":{"x":1}}',
  "[[[[[[]]]]]]",
  "__proto__",
  "constructor",
  "toString",
  "'; drop table bars; --",
  "2026-02-30",
  "9999-12-31",
  "0000-00-00",
  "2026-13-01T99:99:99Z",
  "+275760-09-13T00:00:00.000Z",
  "25:61",
  "<script>alert(1)</script>",
  "=1+1",
  "power",
  "K01",
] as const;

/** Numbers from 0 to 1 from a seed, the same every time. */
export function seededNumbers(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
}
