/* For tests, benches and pictures: a session of somebody in the demonstration, as signing in would have made it. */
import { createHash, randomBytes } from "node:crypto";
import pg from "pg";

/**
 * @param url the database.
 * @param name whom to be; they must be in it.
 * @returns headers that a browser of theirs would send to `base`
 */
export async function signedIn(url, base, name = "Maren Tidewell") {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    const token = `s.${randomBytes(32).toString("base64url")}`;
    const { rowCount } = await client.query(
      `insert into sessions (token_sha256, person_id, account_id, created_at, seen_at, ends_at)
       select $1, id, account_id, now(), now() + interval '10 years', now() + interval '20 years' from people where name = $2 and removed_at is null`,
      [createHash("sha256").update(token).digest("hex"), name],
    );
    if (rowCount !== 1) throw new Error(`There is no ${name} in the database.`);
    return { cookie: `garrison=${token}`, origin: base };
  } finally {
    await client.end();
  }
}
