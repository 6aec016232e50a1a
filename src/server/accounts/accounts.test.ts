import { eq } from "drizzle-orm";
import { Secret, TOTP } from "otpauth";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { accountLog, accounts, devices, halls, invitations, letters, people, sessions } from "@/data/schema";
import { testDatabase } from "@/data/testDatabase.fixture";
import { type Context, unsealed } from "@/server/access";
import { makeContexts, TEST_NOW } from "@/server/access/context.fixture";
import { deviceRoleOf, entryOfCookie, entryOfToken, IDLE_MS } from "@/server/access/entry";
import * as rooms from ".";
import { browser, contextOfBrowser, freshAddress, keyOf, letIn, testStep } from "./doors.fixture";
import { isPassphrase, passphraseHash, passphraseProblems } from "./passphrase";

vi.mock("next/headers", async () => (await import("./doors.fixture")).headersOfTest());

const PASSPHRASE = "wet rope under seven boats";
const OTHER_PASSPHRASE = "four dry oars beside a kettle";
let serial = 0;
const uniqueName = (word: string) => `${word} ${(serial += 1)} ${Math.random().toString(36).slice(2, 8)}`;
const minutes = (count: number) => new Date(TEST_NOW.getTime() + count * 60_000);

beforeEach(() => {
  browser.jar.clear();
  browser.at = TEST_NOW;
});

/** A person of a hall joins with an account of their own; answers how they sign in. */
async function join(context: Context, role: string, name = uniqueName("Ines")) {
  const step = testStep();
  const invited = await rooms.invite(context, step, { name, role, email: "" });
  if (!invited.ok) throw new Error(invited.message);
  const token = invited.address.split("/join/")[1]!;
  const joined = await rooms.joinWithNewAccount(step, token, { signInName: name, email: "", passphrase: PASSPHRASE });
  expect(joined).toEqual({ ok: true });
  return { name, token, personId: invited.personId };
}

describe("passphrases", () => {
  it("are hashed by Argon2id at OWASP's cost (Password Storage Cheat Sheet: m=19456, t=2, p=1), each with a salt of its own", async () => {
    const [one, other] = [await passphraseHash(PASSPHRASE), await passphraseHash(PASSPHRASE)];
    expect(one).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(one).not.toBe(other);
    expect(await isPassphrase(PASSPHRASE, one)).toBe(true);
    expect(await isPassphrase(`${PASSPHRASE} `, one)).toBe(false);
    expect(await isPassphrase(PASSPHRASE, null)).toBe(false);
  });
  it.each([
    ["short", "eleven char"],
    ["repeated", "aaaaaaaaaaaaaaaa"],
    ["counted", "123456789012345"],
    ["on everybody's list", "passwordpassword"],
    ["the gym's own name", "kestrel reach kestrel"],
    ["longer than anybody types", "x y".repeat(100)],
  ])("that are %s are refused", (_, passphrase) =>
    expect(passphraseProblems(passphrase, ["Kestrel Reach"])).toHaveLength(1),
  );
  it("of any letters are fine, and the same letters typed on another keyboard are the same", async () => {
    expect(passphraseProblems("Röllchen über nasser Kaimauer", [])).toEqual([]);
    expect(await isPassphrase("Röllchen über", await passphraseHash("Ro\u0308llchen u\u0308ber"))).toBe(true);
  });
});

describe("signing in", () => {
  it("by name in any case or by mail address lets in, with a key that the database does not know", async () => {
    const { context } = await makeContexts("signs in");
    const { name } = await join(context("owner"), "coach");
    browser.jar.clear();
    const step = testStep();
    expect(await rooms.signIn(step, { name: name.toUpperCase(), passphrase: PASSPHRASE, code: "" })).toEqual({
      ok: true,
      needsCode: false,
    });
    expect(await letIn()).toMatchObject({ actor: { name, role: "coach" }, door: { kind: "session" } });
    const kept = JSON.stringify(await testDatabase().select().from(sessions));
    expect(kept).not.toContain(keyOf()!);
    expect(kept).not.toContain(keyOf()!.slice(2));
  });
  it("says the same of a wrong name and a wrong passphrase, and writes it down for the gym", async () => {
    const { context, hall } = await makeContexts("wrong");
    const { name } = await join(context("owner"), "coach");
    browser.jar.clear();
    const wrong = await rooms.signIn(testStep(), { name, passphrase: OTHER_PASSPHRASE, code: "" });
    const nobody = await rooms.signIn(testStep(), { name: uniqueName("x"), passphrase: OTHER_PASSPHRASE, code: "" });
    expect(wrong).toEqual(nobody);
    expect(wrong).toMatchObject({ ok: false });
    expect(keyOf()).toBeUndefined();
    const failed = await hall.rows(accountLog, { where: eq(accountLog.kind, "sign-in-failed") });
    expect(failed).toHaveLength(1);
  });
  it("slows down after five wrong ones, from one place, and never bars someone elsewhere", async () => {
    const { context } = await makeContexts("slow");
    const { name } = await join(context("owner"), "coach");
    const attacker = testStep();
    for (let i = 0; i < 5; i += 1)
      expect(await rooms.signIn(attacker, { name, passphrase: `wrong ${i} wrong`, code: "" })).toMatchObject({
        ok: false,
      });
    // The right one has to wait as well: otherwise waiting would tell which one is right.
    const waits = await rooms.signIn(attacker, { name, passphrase: PASSPHRASE, code: "" });
    expect(waits).toMatchObject({ ok: false, problems: [] });
    browser.jar.clear();
    expect(await rooms.signIn(testStep(), { name, passphrase: PASSPHRASE, code: "" })).toMatchObject({ ok: true });
    await new Promise((resolve) => setTimeout(resolve, 2100));
    expect(await rooms.signIn(attacker, { name, passphrase: PASSPHRASE, code: "" })).toMatchObject({ ok: true });
  });
  it("with a second step asks for a code, takes each once, and spare codes each once (RFC 6238)", async () => {
    const { context } = await makeContexts("second");
    const { name } = await join(context("owner"), "manager");
    const mine = await contextOfBrowser(context("manager"));
    const { secret } = rooms.newSecondStep(mine);
    const codeAt = (moment: Date) =>
      new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: moment.getTime() });
    const on = (code: string) => rooms.turnOnSecondStep(mine, testStep(), { secret, code });
    expect(await on("000000")).toMatchObject({ ok: false });
    const turned = await on(codeAt(browser.at));
    expect(turned).toMatchObject({ ok: true });
    const signIn = (code: string) => rooms.signIn(testStep(), { name, passphrase: PASSPHRASE, code });
    browser.jar.clear();
    expect(await signIn("")).toEqual({ ok: true, needsCode: true });
    expect(keyOf()).toBeUndefined();
    // The code that turned it on was used.
    expect(await signIn(codeAt(browser.at))).toMatchObject({ ok: false });
    browser.at = minutes(2);
    const both = await Promise.all([signIn(codeAt(browser.at)), signIn(codeAt(browser.at))]);
    expect(both.filter(({ ok }) => ok)).toHaveLength(1);
    const spare = turned.ok ? turned.spareCodes[0]! : "";
    expect(await signIn(spare)).toMatchObject({ ok: true });
    expect(await signIn(spare)).toMatchObject({ ok: false });
    expect(await signIn(codeAt(minutes(30)))).toMatchObject({ ok: false });
    const [account] = await testDatabase().select().from(accounts).where(eq(accounts.signInName, name));
    expect(account!.totpSealed).not.toContain(secret);
  });
});

describe("a session", () => {
  it("ends by itself after two weeks without a touch, and after sixty days in any case", async () => {
    const { context } = await makeContexts("ends");
    await join(context("owner"), "coach");
    const open = (ms: number) => entryOfCookie(keyOf(), "/", new Date(TEST_NOW.getTime() + ms));
    expect(await open(IDLE_MS + 1000)).toBeNull();
    // A touch now and then keeps it.
    const day = 86_400_000;
    for (let days = 10; days < 60; days += 10) expect(await open(days * day), `day ${days}`).not.toBeNull();
    expect(await open(60 * day + 1000)).toBeNull();
  });
  it("is listed, ended one by one or all others at once, and dead at the next touch", async () => {
    const { context } = await makeContexts("lists");
    const { name } = await join(context("owner"), "coach");
    const first = keyOf()!;
    browser.jar.clear();
    await rooms.signIn(testStep(), { name, passphrase: PASSPHRASE, code: "" });
    const mine = await contextOfBrowser(context("coach"));
    const open = await rooms.openSessions(mine, testStep());
    expect(open.map(({ isThis }) => isThis)).toEqual([true, false]);
    expect(await rooms.endSessions(mine, testStep(), null)).toEqual({ ok: true });
    expect(await entryOfCookie(first, "/", browser.at)).toBeNull();
    expect(await letIn()).not.toBeNull();
    await rooms.signOut(mine, testStep());
    expect(keyOf()).toBeUndefined();
  });
  it("ends where someone else signs in on the same browser", async () => {
    const { context } = await makeContexts("same browser");
    const { name } = await join(context("owner"), "coach");
    browser.jar.clear();
    await join(context("owner"), "care");
    const before = keyOf()!;
    await rooms.signIn(testStep(), { name, passphrase: PASSPHRASE, code: "" });
    expect(await entryOfCookie(before, "/", browser.at)).toBeNull();
    expect(await letIn()).toMatchObject({ actor: { name } });
  });
  it("of someone else is not ended by its id, and a copied key is dead after the passphrase is typed again", async () => {
    const { context } = await makeContexts("others");
    await join(context("owner"), "coach");
    const theirs = await contextOfBrowser(context("coach"));
    const theirKey = keyOf()!;
    browser.jar.clear();
    await join(context("owner"), "coach");
    const mine = await contextOfBrowser(context("coach"));
    const id = theirs.door.kind === "session" ? theirs.door.sessionId : "";
    expect(await rooms.endSessions(mine, testStep(), id)).toMatchObject({ ok: false, code: "not-found" });
    expect(await entryOfCookie(theirKey, "/", browser.at)).not.toBeNull();
    const copied = keyOf()!;
    expect(await rooms.confirmSession(mine, testStep(), OTHER_PASSPHRASE)).toMatchObject({ ok: false });
    expect(await rooms.confirmSession(mine, testStep(), PASSPHRASE)).toEqual({ ok: true });
    expect(keyOf()).not.toBe(copied);
    expect(await entryOfCookie(copied, "/", browser.at)).toBeNull();
    expect(await letIn()).not.toBeNull();
  });
  it("made up, cut, of another kind or endless is nobody", async () => {
    for (const key of ["", "s.", "s.x", "d.x", `s.${"x".repeat(43)}`, "x".repeat(5000), "garrison"])
      expect(await entryOfCookie(key, "/", browser.at), key).toBeNull();
  });
  it("a new passphrase ends every other one", async () => {
    const { context } = await makeContexts("new words");
    const { name } = await join(context("owner"), "coach");
    const other = keyOf()!;
    browser.jar.clear();
    await rooms.signIn(testStep(), { name, passphrase: PASSPHRASE, code: "" });
    const mine = await contextOfBrowser(context("coach"));
    expect(await rooms.changePassphrase(mine, testStep(), "short")).toMatchObject({ ok: false });
    expect(await rooms.changePassphrase(mine, testStep(), OTHER_PASSPHRASE)).toEqual({ ok: true });
    expect(await entryOfCookie(other, "/", browser.at)).toBeNull();
    expect(await letIn()).not.toBeNull();
    expect(await rooms.signIn(testStep(), { name, passphrase: PASSPHRASE, code: "" })).toMatchObject({ ok: false });
  });
  it("what matters asks for the passphrase again after ten minutes", async () => {
    const { context, actor } = await makeContexts("confirm");
    await join(context("owner"), "owner");
    const { personId } = actor("coach");
    const change = async (role: string) => {
      const mine = await contextOfBrowser(context("owner"));
      const { version } = (await mine.hall.first(people, { where: eq(people.id, personId) }))!;
      return rooms.changeRole(mine, { personId, role, version });
    };
    expect(await change("care")).toEqual({ ok: true });
    browser.at = minutes(11);
    expect(await change("coach")).toMatchObject({ ok: false, message: rooms.CONFIRM_FIRST });
    await rooms.confirmSession(await contextOfBrowser(context("owner")), testStep(), PASSPHRASE);
    expect(await change("coach")).toEqual({ ok: true });
  });
});

describe("an invitation", () => {
  it("works once, for one person, for seven days; a newer one takes its place", async () => {
    const { context } = await makeContexts("invites");
    const step = testStep();
    const invited = await rooms.invite(context("manager"), step, { name: "Bo", role: "care", email: "" });
    const first = invited.ok ? invited.address.split("/join/")[1]! : "";
    expect(await rooms.invitationOf(step, first)).toMatchObject({ personName: "Bo", role: "care", kind: "invite" });
    const again = await rooms.inviteAgain(context("manager"), step, invited.ok ? invited.personId : "");
    const second = again.ok ? again.address.split("/join/")[1]! : "";
    expect(await rooms.invitationOf(step, first)).toBeNull();
    browser.at = new Date(TEST_NOW.getTime() + 8 * 86_400_000);
    expect(await rooms.invitationOf(testStep(), second)).toBeNull();
    browser.at = TEST_NOW;
    const account = { signInName: uniqueName("Bo"), email: "", passphrase: PASSPHRASE };
    const both = await Promise.all(
      ["a", "b"].map((end) =>
        rooms.joinWithNewAccount(step, second, { ...account, signInName: `${account.signInName} ${end}` }),
      ),
    );
    expect(both.filter(({ ok }) => ok)).toHaveLength(1);
    expect(await rooms.invitationOf(step, second)).toBeNull();
    const kept = JSON.stringify(await testDatabase().select().from(invitations));
    for (const token of [first, second]) expect(kept).not.toContain(token);
  });
  it("with a name that is taken, or a weak passphrase, lists every problem and stays good", async () => {
    const { context } = await makeContexts("taken");
    const { name } = await join(context("owner"), "coach");
    const step = testStep();
    const invited = await rooms.invite(context("owner"), step, { name: "Second", role: "coach", email: "" });
    const token = invited.ok ? invited.address.split("/join/")[1]! : "";
    const answer = await rooms.joinWithNewAccount(step, token, { signInName: "a@b", email: "no", passphrase: "x" });
    expect(!answer.ok && answer.problems.map(({ path }) => path)).toEqual(["signInName", "email", "passphrase"]);
    expect(
      await rooms.joinWithNewAccount(step, token, {
        signInName: name.toUpperCase(),
        email: "",
        passphrase: PASSPHRASE,
      }),
    ).toMatchObject({ ok: false, problems: [{ path: "signInName" }] });
    expect(await rooms.invitationOf(step, token)).not.toBeNull();
  });
  it("brings one account into several gyms, which see nothing of each other", async () => {
    const [one, other] = [await makeContexts("one gym"), await makeContexts("other gym")];
    await join(one.context("owner"), "coach");
    const step = testStep();
    const invited = await rooms.invite(other.context("owner"), step, { name: "Same person", role: "care", email: "" });
    const token = invited.ok ? invited.address.split("/join/")[1]! : "";
    const here = await contextOfBrowser(one.context("coach"));
    expect(await rooms.joinWithOwnAccount(here, step, token)).toEqual({ ok: true });
    expect(await letIn()).toMatchObject({ actor: { hallName: "other gym", role: "care" } });
    const there = await contextOfBrowser(other.context("care"));
    const halls = await rooms.hallsOfAccount(there, step);
    expect(halls.map(({ hallName }) => hallName)).toEqual(["one gym", "other gym"]);
    expect(await rooms.enterHall(there, step, halls[0]!.personId)).toEqual({ ok: true });
    expect(await letIn()).toMatchObject({ actor: { hallName: "one gym", role: "coach" } });
    // Only halls of one's own; and whoever manages one gym cannot take the account over in the other.
    expect(
      await rooms.enterHall(await contextOfBrowser(one.context("coach")), step, one.actor("owner").personId),
    ).toMatchObject({
      ok: false,
    });
    expect(await rooms.inviteAgain(other.context("owner"), step, invited.ok ? invited.personId : "")).toMatchObject({
      ok: false,
      code: "impossible",
    });
    const members = await rooms.listMembers(other.context("owner"), step);
    expect(members.map(({ name }) => name)).not.toContain("owner of one gym");
  });
  it("to be owner or manager is an owner's to give", async () => {
    const { context } = await makeContexts("ranks");
    const asked = { name: "X", email: "" };
    for (const role of ["owner", "manager"]) {
      expect(await rooms.invite(context("manager"), testStep(), { ...asked, role })).toMatchObject({
        code: "forbidden",
      });
      expect(await rooms.invite(context("owner"), testStep(), { ...asked, role })).toMatchObject({ ok: true });
    }
    for (const role of ["coach", "care", "lifter", "wall"] as const)
      expect(await rooms.invite(context(role), testStep(), { ...asked, role: "lifter" })).toMatchObject({
        code: "forbidden",
      });
    expect(await rooms.invite(context("owner"), testStep(), { ...asked, role: "wall" })).toMatchObject({
      code: "invalid",
    });
  });
});

describe("a reset", () => {
  it("made by the owner lets in once with a new passphrase, ends every session, and turns a lost second step off", async () => {
    const { context } = await makeContexts("reset");
    const { name, personId } = await join(context("owner"), "coach");
    const mine = await contextOfBrowser(context("coach"));
    const { secret } = rooms.newSecondStep(mine);
    const code = new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: browser.at.getTime() });
    await rooms.turnOnSecondStep(mine, testStep(), { secret, code });
    const old = keyOf()!;
    const made = await rooms.inviteAgain(context("owner"), testStep(), personId);
    const token = made.ok ? made.address.split("/join/")[1]! : "";
    expect(await rooms.invitationOf(testStep(), token)).toMatchObject({ kind: "reset" });
    browser.jar.clear();
    expect(await rooms.resetPassphrase(testStep(), token, "weak")).toMatchObject({ ok: false });
    expect(await rooms.resetPassphrase(testStep(), token, OTHER_PASSPHRASE)).toEqual({ ok: true });
    expect(await entryOfCookie(old, "/", browser.at)).toBeNull();
    expect(await letIn()).toMatchObject({ actor: { name } });
    expect(await rooms.resetPassphrase(testStep(), token, PASSPHRASE)).toMatchObject({ ok: false });
    expect(await rooms.signIn(testStep(), { name, passphrase: OTHER_PASSPHRASE, code: "" })).toMatchObject({
      needsCode: false,
    });
  });
  it("asked for by mail says the same whether there is such an account or not, and its letter is sealed", async () => {
    const { context, hall } = await makeContexts("mail");
    const name = uniqueName("Mo");
    const step = testStep();
    const email = `mo-${Math.random().toString(36).slice(2)}@example.org`;
    const invited = await rooms.invite(context("owner"), step, { name, role: "coach", email: "" });
    const token = invited.ok ? invited.address.split("/join/")[1]! : "";
    await rooms.joinWithNewAccount(step, token, { signInName: name, email, passphrase: PASSPHRASE });
    const ask = (address: string) =>
      rooms.askForReset(testStep({ mail: { url: "smtp://127.0.0.1:9", from: "x@example.org" } }), address);
    // Without a mail server no link is left lying.
    await rooms.askForReset(testStep(), email);
    expect(await hall.rows(letters)).toEqual([]);
    expect(await ask("nobody@example.org")).toEqual(await ask(email.toUpperCase()));
    const [letter] = await hall.rows(letters);
    expect(letter).toMatchObject({ toAddress: email, sentAt: null });
    expect(letter!.body).not.toContain("/join/");
    const reset = /\/join\/([\w-]{43})/.exec(unsealed(letter!.body)!)![1]!;
    expect(await rooms.invitationOf(testStep(), reset)).toMatchObject({ kind: "reset" });
    // A link that lets somebody in is shown to nobody else: not to a manager, who could come in as an owner.
    for (const role of ["owner", "manager"] as const)
      expect(await rooms.outboxLetters(context(role))).toMatchObject([{ to: email, body: "" }]);
    await rooms.invite(context("owner"), testStep(), { name: "New owner", role: "owner", email: "new@example.org" });
    const bodies = async (role: "owner" | "manager") =>
      (await rooms.outboxLetters(context(role))).filter(({ body }) => body.includes("/join/"));
    expect(await bodies("owner")).toHaveLength(1);
    expect(await bodies("manager")).toHaveLength(0);
    // Whoever does not manage people reads no letter.
    expect(await rooms.outboxLetters(context("coach"))).toEqual([]);
    // Three an hour, however often it is asked.
    for (let i = 0; i < 5; i += 1) await ask(email);
    expect(await hall.rows(letters, { where: eq(letters.toAddress, email) })).toHaveLength(3);
  });
});

describe("a demonstration", () => {
  /** A hall of a test's own that is one. */
  async function demonstration(name: string) {
    const made = await makeContexts(name);
    const { hallId } = made.actor("owner");
    await testDatabase().update(halls).set({ isDemo: true }).where(eq(halls.id, hallId));
    const away = () => testDatabase().update(halls).set({ isDemo: false }).where(eq(halls.id, hallId));
    return { ...made, away };
  }
  it("lets anybody pick a person of it, and nobody of a gym; no longer a demonstration, nobody is let in", async () => {
    const [{ actor, away }, gym] = [await demonstration("picked"), await makeContexts("a gym")];
    const pick = (personId: string) => rooms.pickPerson(testStep(), { personId, code: "" });
    expect(await pick(gym.actor("coach").personId)).toMatchObject({ ok: false });
    // Its tablets are paired like every other.
    expect(await pick(actor("wall").personId)).toMatchObject({ ok: false });
    expect(keyOf()).toBeUndefined();
    expect(await pick(actor("coach").personId)).toEqual({ ok: true });
    expect(await letIn()).toMatchObject({ actor: { role: "coach" }, door: { accountId: null } });
    await away();
    expect(await letIn()).toBeNull();
  });
  it("that the network reaches asks for the code that it printed, and slows down who guesses", async () => {
    const { actor, away } = await demonstration("coded");
    const step = testStep({ demoCode: "48151623" });
    const pick = (code: string) => rooms.pickPerson(step, { personId: actor("coach").personId, code });
    expect(await pick("")).toMatchObject({ ok: false, problems: [{ path: "code" }] });
    expect(keyOf()).toBeUndefined();
    expect(await pick(" 48151623 ")).toEqual({ ok: true });
    for (let i = 0; i < 6; i += 1) await pick(`1234567${i}`);
    expect(await pick("48151623")).toMatchObject({ ok: false, problems: [] });
    await away();
  });
});

describe("people", () => {
  it("who are removed are nobody at once: sessions, tokens and PIN; the last owner stays", async () => {
    const { context, actor, hall } = await makeContexts("removed");
    const { personId } = await join(context("owner"), "manager");
    const mine = await contextOfBrowser(context("manager"));
    const made = await rooms.makeToken(mine, { label: "sheet", scopes: ["read"], days: "9" });
    const token = made.ok ? made.token : "";
    expect(await entryOfToken(token, browser.at)).toMatchObject({ actor: { personId } });
    const version = async (id: string) => (await hall.first(people, { where: eq(people.id, id) }))!.version;
    expect(await rooms.removePerson(context("manager"), { personId, version: await version(personId) })).toMatchObject({
      code: "forbidden",
    });
    expect(await rooms.removePerson(context("owner"), { personId, version: 99 })).toMatchObject({ code: "stale" });
    expect(await rooms.removePerson(context("owner"), { personId, version: await version(personId) })).toEqual({
      ok: true,
    });
    expect(await letIn()).toBeNull();
    expect(await entryOfToken(token, browser.at)).toBeNull();
    const owner = actor("owner").personId;
    for (const outcome of [
      await rooms.removePerson(context("owner"), { personId: owner, version: await version(owner) }),
      await rooms.changeRole(context("owner"), { personId: owner, role: "coach", version: await version(owner) }),
    ])
      expect(outcome).toMatchObject({ ok: false, code: "impossible" });
  });
});

describe("a tablet", () => {
  const pair = async (context: Context, purpose: string) => {
    const made = await rooms.makePairingCode(context, { name: uniqueName("Tablet"), purpose });
    const code = made.ok ? made.code : "";
    return { code, done: await rooms.pairDevice(testStep(), code) };
  };
  it.each([
    [
      "wall",
      "/wall",
      ["/", "/bars", "/care/rounds", "/settings", "/api/v1/bars", "/wall/../bars", "/load/session/run/x/touch"],
    ],
    ["sheets", "/station", ["/", "/wall", "/lifters", "/load/session", "/care/rounds/touch", "/api/v1/lifters"]],
    ["rounds", "/care/rounds", ["/", "/care", "/bars/T1", "/load/session/run/x", "/care/incidents"]],
  ])("for %s opens %s and nothing else", async (purpose, home, closed) => {
    const { context } = await makeContexts("tablet");
    const { done } = await pair(context("manager"), purpose);
    expect(done).toEqual({ ok: true, home });
    expect(await letIn(home)).toMatchObject({ actor: { role: purpose }, door: { kind: "device" } });
    for (const path of closed) expect(await letIn(path), path).toBeNull();
    expect(await letIn(null)).toBeNull();
    expect(await deviceRoleOf(keyOf())).toBe(purpose);
  });
  it("is paired by a code once, within ten minutes, and guessing is slowed", async () => {
    const { context, hall } = await makeContexts("codes");
    const { code, done } = await pair(context("owner"), "wall");
    expect(done).toMatchObject({ ok: true });
    expect(code).toMatch(/^\d{6}$/);
    expect(await rooms.pairDevice(testStep(), code)).toMatchObject({ ok: false });
    const late = await rooms.makePairingCode(context("owner"), { name: "Late", purpose: "wall" });
    browser.at = minutes(11);
    expect(await rooms.pairDevice(testStep(), late.ok ? late.code : "")).toMatchObject({ ok: false });
    browser.at = TEST_NOW;
    const guesser = testStep({ address: freshAddress() });
    const answers = [];
    for (let i = 0; i < 11; i += 1) answers.push(await rooms.pairDevice(guesser, String(i).padStart(6, "9")));
    expect(answers.at(-1)).toMatchObject({ ok: false, message: expect.stringMatching(/^Too many/) as unknown });
    expect(await hall.rows(devices)).toHaveLength(1);
    for (const role of ["coach", "care", "lifter", "wall"] as const)
      expect(await rooms.makePairingCode(context(role), { name: "X", purpose: "wall" })).toMatchObject({
        code: "forbidden",
      });
  });
  it("that was revoked is nobody at its next touch", async () => {
    const { context } = await makeContexts("revoked");
    await pair(context("owner"), "wall");
    const [device] = await rooms.listDevices(context("manager"));
    expect(await letIn("/wall")).not.toBeNull();
    expect(await rooms.revokeDevice(context("coach"), device!.id)).toMatchObject({ code: "forbidden" });
    expect(await rooms.revokeDevice(context("manager"), device!.id)).toEqual({ ok: true });
    expect(await letIn("/wall")).toBeNull();
    expect(await rooms.listDevices(context("manager"))).toEqual([]);
  });
  it("asks for a PIN where it matters; three wrong ones more and it waits", async () => {
    const { context } = await makeContexts("pins");
    await join(context("owner"), "care");
    const mine = await contextOfBrowser(context("care"));
    for (const pin of ["12", "1234", "0000", "987654", "abcd", "123456789"])
      expect(await rooms.setPin(mine, pin), pin).toMatchObject({ ok: false });
    expect(await rooms.setPin(mine, "4071")).toEqual({ ok: true });
    await pair(context("owner"), "rounds");
    const tablet = await contextOfBrowser(context("rounds"), "/care/rounds");
    const { personId } = mine.actor;
    const as = (pin: string) => rooms.ticketFor(tablet, testStep(), { personId, pin });
    expect(await rooms.peopleWithPin(tablet)).toEqual([{ id: personId, name: mine.actor.name }]);
    const typed = await as("4071");
    const ticket = typed.ok ? typed.ticket : "";
    expect((await rooms.withTicket(tablet, ticket))!.actor).toMatchObject({ personId, role: "care" });
    // Of this tablet alone, for half an hour, and no longer than its person is here.
    const elsewhere = { ...tablet, door: { kind: "device" as const, deviceId: "another" } };
    expect(await rooms.withTicket(elsewhere, ticket)).toBeNull();
    expect(await rooms.withTicket(mine, ticket)).toBeNull();
    expect(
      await rooms.withTicket(
        tablet,
        ticket.replace(/./, (one) => (one === "A" ? "B" : "A")),
      ),
    ).toBeNull();
    browser.at = minutes(31);
    expect(await rooms.withTicket(tablet, ticket)).toBeNull();
    browser.at = TEST_NOW;
    for (let i = 0; i < 5; i += 1) expect(await as("9999")).toMatchObject({ ok: false, problems: [{ path: "pin" }] });
    expect(await as("4071")).toMatchObject({ ok: false, problems: [] });
  });
});

describe("a token of a program", () => {
  it("lets in until it ends or is revoked, is told once, and says when it was used last", async () => {
    const { context } = await makeContexts("tokens");
    const wrong = await rooms.makeToken(context("manager"), { label: "", scopes: ["all"], days: "0" });
    expect(!wrong.ok && wrong.problems.map(({ path }) => path)).toEqual(["label", "days", "scopes"]);
    expect(await rooms.makeToken(context("coach"), { label: "x", scopes: ["read"], days: "1" })).toMatchObject({
      code: "forbidden",
    });
    const made = await rooms.makeToken(context("manager"), { label: "sheet", scopes: ["read", "health"], days: "700" });
    const token = made.ok ? made.token : "";
    expect(await entryOfToken(token, browser.at)).toMatchObject({
      door: { kind: "token", scopes: ["read", "health"] },
    });
    const [row] = await rooms.listTokens(context("manager"));
    expect(row).toMatchObject({ label: "sheet", usedAt: expect.any(Date) as unknown });
    expect(await rooms.revokeToken(context("manager"), row!.id)).toEqual({ ok: true });
    expect(await entryOfToken(token, browser.at)).toBeNull();
    const past = await rooms.makeToken(context("manager"), { label: "past", scopes: ["read"], days: "1" });
    const ended = past.ok ? past.token : "";
    expect(await entryOfToken(ended, minutes(24 * 60 - 1))).not.toBeNull();
    expect(await entryOfToken(ended, minutes(24 * 60 + 1))).toBeNull();
  });
  it("that everybody knows opens nothing outside of a demonstration", async () => {
    const { hall, actor } = await makeContexts("known");
    const { apiTokens } = await import("@/data/schema");
    const { hashOf } = await import("@/server/access");
    const tokenSha256 = hashOf("demo-token");
    await testDatabase().delete(apiTokens).where(eq(apiTokens.tokenSha256, tokenSha256));
    await hall.insert(apiTokens, { personId: actor("manager").personId, tokenSha256, label: "x", scopes: ["read"] });
    expect(await entryOfToken("demo-token")).toBeNull();
    await testDatabase().delete(apiTokens).where(eq(apiTokens.tokenSha256, tokenSha256));
  });
});

describe("the gym", () => {
  it("is renamed and counts otherwise by whoever sets its rules, and what someone changed meanwhile stands", async () => {
    const { context } = await makeContexts("renamed");
    const gym = rooms.gymOf(context("manager"));
    const was = rooms.gymText(gym);
    const save = (role: "manager" | "coach", change: Partial<typeof gym>, read = was) =>
      rooms.saveGym(context(role), testStep(), { ...gym, ...change }, read);
    expect(await save("coach", { name: "Mine" })).toMatchObject({ code: "forbidden" });
    const wrong = await save("manager", { name: "", timeZone: "Nowhere/Else", massUnit: "st", currency: "pounds" });
    expect(!wrong.ok && wrong.problems.map(({ path }) => path)).toEqual(["name", "timeZone", "massUnit", "currency"]);
    expect(await save("manager", { name: "Low Bridge", massUnit: "lb" })).toEqual({ ok: true });
    expect(await save("manager", { name: "Other" })).toMatchObject({ code: "stale" });
    const [row] = await testDatabase()
      .select()
      .from(halls)
      .where(eq(halls.id, context("manager").actor.hallId));
    expect(row).toMatchObject({ name: "Low Bridge", massUnit: "lb", timeZone: "UTC" });
  });
});

describe("the account of it", () => {
  it("says who came and what they took, to owners alone", async () => {
    const { context } = await makeContexts("account");
    const { name } = await join(context("owner"), "coach");
    const lines = await rooms.accountLines(context("owner"));
    expect(lines.map(({ kind }) => kind)).toEqual(expect.arrayContaining(["invited", "joined"]));
    expect(lines.find(({ kind }) => kind === "joined")).toMatchObject({ person: name, agent: "a test's browser" });
    for (const role of ["manager", "coach", "care", "lifter", "wall"] as const)
      expect(await rooms.accountLines(context(role))).toEqual([]);
  });
});
