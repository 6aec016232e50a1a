import type { Problem } from "./problems";

/* What a file may look like at all, told from its bytes before anything is made of it: a few megabytes of commas would
 * else become a few hundred of cells. */

const MAX_COLUMNS = 400;
const MAX_LINES = 200_000;
const MAX_CELLS = 4_000_000;
const MAX_DEPTH = 32;
const MAX_KEYS = 2_000;
const MAX_VALUES = 8_000_000;

const [QUOTE, COMMA, SEMICOLON, TAB, NEWLINE, BACKSLASH] = [34, 44, 59, 9, 10, 92];
const [OPEN_BRACE, CLOSE_BRACE, OPEN_BRACKET, CLOSE_BRACKET, COLON] = [123, 125, 91, 93, 58];

/** What is too much in a file of CSV; empty when nothing is. */
export function csvShapeProblems(bytes: Uint8Array): Problem[] {
  let [line, cells, inLine] = [1, 0, 1];
  let isQuoted = false;
  for (const byte of bytes) {
    if (byte === QUOTE) isQuoted = !isQuoted;
    else if (isQuoted) continue;
    else if (byte === NEWLINE) {
      line += 1;
      inLine = 1;
      if (line > MAX_LINES) return [{ path: "", message: `the file has more than ${MAX_LINES} lines` }];
    } else if (byte === COMMA || byte === SEMICOLON || byte === TAB) {
      inLine += 1;
      cells += 1;
      if (inLine > MAX_COLUMNS) return [{ path: `line ${line}`, message: `has more than ${MAX_COLUMNS} cells` }];
      if (cells > MAX_CELLS) return [{ path: "", message: `the file has more than ${MAX_CELLS} cells` }];
    }
  }
  return [];
}

/** What is too much in a file of JSON; empty when nothing is. Whether it is JSON at all is for its reader to say. */
export function jsonShapeProblems(bytes: Uint8Array): Problem[] {
  const keys: number[] = [];
  let values = 0;
  let isInText = false;
  for (let i = 0; i < bytes.length; i += 1) {
    const byte = bytes[i]!;
    if (isInText) {
      if (byte === BACKSLASH) i += 1;
      else if (byte === QUOTE) isInText = false;
      continue;
    }
    switch (byte) {
      case QUOTE:
        isInText = true;
        break;
      case OPEN_BRACE:
      case OPEN_BRACKET:
        keys.push(0);
        values += 1;
        if (keys.length > MAX_DEPTH) return [{ path: "", message: `the file nests deeper than ${MAX_DEPTH} levels` }];
        break;
      case CLOSE_BRACE:
      case CLOSE_BRACKET:
        keys.pop();
        break;
      case COLON:
        keys[keys.length - 1]! += 1;
        if (keys.at(-1)! > MAX_KEYS)
          return [{ path: "", message: `the file has an object with more than ${MAX_KEYS} fields` }];
        break;
      case COMMA:
        values += 1;
        if (values > MAX_VALUES) return [{ path: "", message: `the file has more than ${MAX_VALUES} values` }];
        break;
    }
  }
  return [];
}
