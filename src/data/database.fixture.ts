import { randomUUID } from "node:crypto";
import { Client } from "pg";

/** A database of a test's own on the tests' server; dropped afterwards, whoever is still connected. */
export async function inNewDatabase(work: (url: string) => Promise<void>): Promise<void> {
  const server = process.env.TEST_SERVER_URL!;
  const name = `t_${randomUUID().replaceAll("-", "")}`;
  const client = new Client({ connectionString: `${server}/postgres` });
  await client.connect();
  await client.query(`create database ${name}`);
  try {
    await work(`${server}/${name}`);
  } finally {
    await client.query(`drop database ${name} with (force)`);
    await client.end();
  }
}

/** One connection to a database; ended afterwards. */
export async function withClient<T>(url: string, work: (client: Client) => Promise<T>): Promise<T> {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}
