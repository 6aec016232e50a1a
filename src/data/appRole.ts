import { Client } from "pg";

/** What the program deletes from: everything else is history or is retired, and the database holds that too. */
const MAY_DELETE_FROM = [
  "account_log",
  "bar_notes",
  "bar_quantities",
  "bar_worths",
  "care_plan",
  "care_rounds",
  "class_entries",
  "idempotency_keys",
  "invitations",
  "letters",
  "lifter_bars",
  "lifter_settings",
  "log_sets",
  "meeting_specs",
  "pairing_codes",
  "passkeys",
  "rate_limits",
  "rotations",
  "sessions",
  "side_views",
  "staff_hours",
];

/**
 * Makes the role that the program uses from day to day, or brings what it may up to date: it reads and writes rows, and
 * owns nothing. It cannot change the schema, and cannot delete what history refers to.
 *
 * @param ownerUrl the database as the owner of its tables reaches it.
 * @throws Error of PostgreSQL when the owner may not make roles.
 */
export async function grantAppRole(ownerUrl: string, role: string, password: string): Promise<void> {
  const client = new Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    const name = client.escapeIdentifier(role);
    const secret = client.escapeLiteral(password);
    await client.query("begin");
    // Two that start at once take turns; a role belongs to the whole server.
    await client.query("select pg_advisory_xact_lock(720312)");
    const { rowCount } = await client.query("select 1 from pg_roles where rolname = $1", [role]);
    await client.query(
      `${rowCount === 0 ? "create" : "alter"} role ${name} login nosuperuser nocreatedb nocreaterole password ${secret}`,
    );
    await client.query(`grant usage on schema public, drizzle to ${name}`);
    await client.query(`grant select, insert, update on all tables in schema public to ${name}`);
    await client.query(`revoke delete, truncate on all tables in schema public from ${name}`);
    await client.query(`grant delete on ${MAY_DELETE_FROM.join(", ")} to ${name}`);
    await client.query(`grant usage, select on all sequences in schema public to ${name}`);
    // A backup reads which migrations were made; so does a program that looks whether it fits.
    await client.query(`grant select on all tables in schema drizzle to ${name}`);
    await client.query(`grant select on all sequences in schema drizzle to ${name}`);
    await client.query("commit");
  } finally {
    await client.end();
  }
}
