const MAX_TEXT = 300;

/** What somebody printed, as fields and a message of a log line: short, one line, and of errors only kind and place. */
export function quietly(words) {
  const error = words.find((word) => word instanceof Error);
  const text = words
    .filter((word) => typeof word === "string")
    .join(" ")
    // Colours of a terminal, and what a statement was given.
    .replace(/\u001b\[[0-9;]*m/g, "")
    .split(/\bparams:/)[0]
    .replace(/\s+/g, " ")
    .trim()
    .slice(0, MAX_TEXT);
  return [error ? { err: placeOf(error) } : {}, text || "printed"];
}

function placeOf(error) {
  const cause = error.cause instanceof Error ? error.cause : error;
  const isStatement = "query" in error || "severity" in cause;
  return {
    name: error.name,
    ...(isStatement
      ? { code: cause.code, table: cause.table, constraint: cause.constraint }
      : { message: String(error.message).slice(0, MAX_TEXT) }),
    ...(error.digest ? { digest: error.digest } : {}),
    at: String(error.stack ?? "")
      .split("\n")
      .filter((line) => /^\s+at /.test(line))
      .slice(0, 8)
      .map((line) => line.trim()),
  };
}
