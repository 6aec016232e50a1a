import { once } from "node:events";
import type { AddressInfo } from "node:net";
import { simpleParser } from "mailparser";
import { SMTPServer } from "smtp-server";
import { afterAll, beforeAll, expect, it, vi } from "vitest";
import { letters } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { testDatabase } from "@/data/testDatabase.fixture";
import { browser, testStep } from "./doors.fixture";
import { invite, outboxLetters, sendLetters } from ".";

vi.mock("next/headers", async () => (await import("./doors.fixture")).headersOfTest());

/* A simulated mail server on this machine: what it takes is read by a parser of another maker. */
const taken: { to: string; subject: string; text: string }[] = [];
let refusals = 0;
const server = new SMTPServer({
  authOptional: true,
  disabledCommands: ["STARTTLS"],
  onData: (stream, _session, done) => {
    if (refusals > 0) {
      refusals -= 1;
      stream.resume();
      stream.on("end", () => done(Object.assign(new Error("not now"), { responseCode: 451 })));
      return;
    }
    simpleParser(stream).then(
      ({ to, subject, text }) => {
        taken.push({ to: [to].flat()[0]?.text ?? "", subject: subject ?? "", text: text ?? "" });
        done();
      },
      (error: Error) => done(error),
    );
  },
});
beforeAll(async () => {
  server.listen(0, "127.0.0.1");
  await once(server.server, "listening");
  await testDatabase().delete(letters);
});
afterAll(() => new Promise<void>((resolve) => server.close(() => resolve())));

it("an invitation is mailed once, again after a refusal, and its letter is dropped when it is out", async () => {
  const { context, hall } = await makeContexts("mails");
  const { port } = server.server.address() as AddressInfo;
  const step = testStep({ mail: { url: `smtp://127.0.0.1:${port}`, from: "Bars <bars@example.org>" } });
  // A moment after they were written.
  browser.at = new Date(browser.at.getTime() + 10_000);
  // Without a mail server it waits in the outbox.
  const invited = await invite(context("owner"), testStep(), { name: "Mo", role: "coach", email: "mo@example.org" });
  expect(await sendLetters(testStep())).toBe(0);
  expect((await outboxLetters(context("manager")))[0]).toMatchObject({ to: "mo@example.org", sentAt: null });
  refusals = 1;
  expect(await sendLetters(step)).toBe(0);
  expect((await outboxLetters(context("manager")))[0]!.problem).toContain("not now");
  // Not before its time.
  expect(await sendLetters(step)).toBe(0);
  browser.at = new Date(browser.at.getTime() + 61_000);
  expect(await sendLetters(step)).toBe(1);
  expect(await sendLetters(step)).toBe(0);
  expect(taken).toHaveLength(1);
  expect(taken[0]).toMatchObject({ to: "mo@example.org", subject: "mails invites you to Garrison" });
  expect(invited.ok && taken[0]!.text.includes(invited.address)).toBe(true);
  const [kept] = await hall.rows(letters);
  expect(kept).toMatchObject({ body: "", tries: 2, problem: null });
});

it("two copies of the program send a letter once", async () => {
  const { context } = await makeContexts("mails twice");
  const { port } = server.server.address() as AddressInfo;
  const step = testStep({ mail: { url: `smtp://127.0.0.1:${port}`, from: "bars@example.org" } });
  taken.length = 0;
  browser.at = new Date(browser.at.getTime() + 60_000);
  for (const name of ["a", "b", "c"])
    await invite(context("owner"), testStep(), { name, role: "coach", email: `${name}@example.org` });
  const sent = await Promise.all([sendLetters(step), sendLetters(step)]);
  expect(sent[0]! + sent[1]!).toBe(3);
  expect(taken.map(({ to }) => to).sort()).toEqual(["a@example.org", "b@example.org", "c@example.org"]);
});
