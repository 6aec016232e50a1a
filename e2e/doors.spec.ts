import { type ChildProcess, spawn } from "node:child_process";
import { randomBytes } from "node:crypto";
import { once } from "node:events";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import type { Browser, BrowserContext, Page } from "@playwright/test";
import jsQR from "jsqr";
import { Secret, TOTP } from "otpauth";
import { PNG } from "pngjs";
import { ensureDatabase } from "../scripts/lib/cluster.mjs";
import { asAppRole, databaseCommands, migrateSafely } from "../scripts/lib/database.mjs";
import { freePort } from "../scripts/lib/machine.mjs";
import { cleanEnv } from "../scripts/lib/run.mjs";
import { expect, now, test } from "./clock";
import { serious } from "./serious";

/*
 * Errands at the doors of a gym of one's own, from the first start on: not in the demonstration, whose people are picked.
 * The program of these errands has a database of its own, empty at first, on the cluster of the browser tests.
 */

const ROOT = process.cwd();
const PASSPHRASE = "seven wet boats under a bridge";
const OTHER_PASSPHRASE = "four dry oars beside a kettle";

test.describe.configure({ mode: "serial" });

let base = "";
let claim = "";
let server: ChildProcess | undefined;
const scratch = mkdtempSync(join(tmpdir(), "garrison-doors-"));

test.beforeAll(async () => {
  const cluster = new URL(process.env.E2E_DATABASE_URL!);
  cluster.pathname = "";
  const name = `garrison_doors_${randomBytes(4).toString("hex")}`;
  const owner = await ensureDatabase(cluster.href.replace(/\/$/, ""), name);
  await migrateSafely(ROOT, owner, scratch);
  claim = (await databaseCommands(ROOT, owner, "claim")).claim!;
  const port = await freePort(null);
  // By name, so that a browser makes passkeys for it.
  base = `http://localhost:${port}`;
  server = spawn(process.execPath, ["scripts/serve.mjs"], {
    cwd: ROOT,
    env: cleanEnv({
      // The role is the whole server's: with another password the other errands' program would be shut out.
      DATABASE_URL: await asAppRole(ROOT, owner, dirname(process.env.E2E_STATE!)),
      GARRISON_SECRET: randomBytes(32).toString("hex"),
      PUBLIC_URL: base,
      PORT: String(port),
      LOG_LEVEL: "error",
    }),
    stdio: "ignore",
  });
  await expect
    .poll(async () => (await fetch(`${base}/readyz`).catch(() => null))?.status, { timeout: 60_000 })
    .toBe(200);
});
test.afterAll(async () => {
  if (server && server.exitCode === null) {
    server.kill("SIGTERM");
    await once(server, "close");
  }
  rmSync(scratch, { recursive: true, force: true });
});

/** A browser that nobody is signed in in, at this gym. */
const fresh = (browser: Browser, options: Parameters<Browser["newContext"]>[0] = {}): Promise<BrowserContext> =>
  browser.newContext({ storageState: { cookies: [], origins: [] }, baseURL: base, ...options });

async function signIn(page: Page, name: string, passphrase = PASSPHRASE) {
  await page.goto("/sign-in");
  await page.getByLabel("Name or e-mail").fill(name);
  await page.getByLabel("Passphrase", { exact: true }).fill(passphrase);
  await page.getByRole("button", { name: "Sign in" }).click();
}

/** The address that a picture's code says. */
async function scanned(page: Page, alt: string): Promise<string> {
  const { data, width, height } = PNG.sync.read(await page.getByAltText(alt).screenshot());
  return jsQR(new Uint8ClampedArray(data), width, height)!.data;
}

test("a fresh gym is claimed by its owner, once", async ({ browser }) => {
  const context = await fresh(browser);
  const page = await context.newPage();
  // Whatever is asked for leads to the door, and back to it afterwards.
  const first = await page.goto("/bars?sort=mass");
  expect(first!.status()).toBe(401);
  await expect(page).toHaveURL(/\/sign-in\?to=%2Fbars%3Fsort%3Dmass$/);
  await expect(page.getByText("Demonstration")).toHaveCount(0);

  await page.goto(`/claim/${claim}`);
  expect(await serious(page)).toEqual([]);
  await page.getByLabel("Gym").fill("Low Bridge Strength");
  await page.getByLabel("Time zone").fill("Nowhere/Else");
  await page.getByLabel("Climate").selectOption("salt-humid");
  await page.getByLabel("Units").selectOption("lb");
  await page.getByLabel("Your name").fill("Ines Lowe");
  await page.getByLabel("Name to sign in with").fill("Ines");
  await page.getByLabel("Passphrase", { exact: true }).fill("password1234");
  await page.getByRole("button", { name: "Claim" }).click();
  await expect(page.getByText("Time zone: like Europe/Lisbon.")).toBeVisible();
  await expect(page.getByText(/Passphrase: too easy to guess/)).toBeVisible();
  await expect(page.getByLabel("Gym")).toHaveValue("Low Bridge Strength");
  await page.getByLabel("Time zone").fill("Europe/Lisbon");
  await page.getByLabel("Passphrase", { exact: true }).fill(PASSPHRASE);
  await page.getByRole("button", { name: "Claim" }).click();
  await expect(page).toHaveURL(`${base}/`);
  await expect(page.getByText("Low Bridge Strength").first()).toBeVisible();
  await page.goto(`/claim/${claim}`);
  await expect(page.getByRole("heading", { name: "This link does not work any more" })).toBeVisible();
  await page.goto("/settings");
  await expect(page.getByText("Ines Lowe, owner of Low Bridge Strength")).toBeVisible();
  await page.getByRole("button", { name: "Sign out" }).click();
  await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
  expect((await page.goto("/bars"))!.status()).toBe(401);
  await context.close();
});

test("a coach is invited by a code to scan, and signs in by name; nobody's door is keyboard-proof without a mouse", async ({
  browser,
}) => {
  const owners = await fresh(browser);
  const owner = await owners.newPage();
  await owner.goto("/sign-in?to=/settings/people");
  // By keyboard alone.
  await owner.getByLabel("Name or e-mail").focus();
  await owner.keyboard.type("ines");
  await owner.keyboard.press("Tab");
  await owner.keyboard.type(PASSPHRASE);
  await owner.keyboard.press("Enter");
  await expect(owner).toHaveURL(`${base}/settings/people`);
  expect(await serious(owner)).toEqual([]);
  const invite = owner.getByRole("region", { name: "Invite" });
  await invite.getByLabel("Name").fill("Joss Carrow");
  await invite.getByLabel("Role").selectOption("coach");
  await invite.getByRole("button", { name: "Invite" }).click();
  await expect(invite.getByText("Invitation of Joss Carrow")).toBeVisible();
  const address = await scanned(owner, "Code to scan with a telephone");
  expect(address).toContain(`${base}/join/`);

  const coaches = await fresh(browser, { viewport: { width: 390, height: 844 } });
  const coach = await coaches.newPage();
  await coach.goto(address);
  await expect(coach.getByRole("heading", { name: "Join Low Bridge Strength" })).toBeVisible();
  expect(await serious(coach)).toEqual([]);
  await coach.getByLabel("Passphrase", { exact: true }).fill(OTHER_PASSPHRASE);
  await coach.getByRole("button", { name: "Join" }).click();
  await expect(coach).toHaveURL(`${base}/`);
  // Once: whoever finds the link later is told so.
  await coach.goto(address);
  await expect(coach.getByRole("heading", { name: "This link does not work any more" })).toBeVisible();
  // A coach has no say in who comes in.
  expect((await coach.goto("/settings/people"))!.status()).toBe(404);
  await coaches.close();

  const again = await fresh(browser);
  const page = await again.newPage();
  await signIn(page, "Joss Carrow", PASSPHRASE);
  await expect(page.getByText("Name and passphrase do not go together.").first()).toBeVisible();
  await signIn(page, "joss carrow", OTHER_PASSPHRASE);
  await expect(page).toHaveURL(`${base}/`);

  // The owner removes them: dead at the next touch.
  await owner.reload();
  await owner.getByLabel("Remove Joss Carrow").click();
  await owner.getByRole("button", { name: "Remove Joss Carrow" }).click();
  const people = owner.getByRole("region", { name: "People", exact: true });
  await expect(people.getByText("Joss Carrow", { exact: true })).toHaveCount(0);
  expect((await page.goto("/bars"))!.status()).toBe(401);
  await again.close();
  await owners.close();
});

test("a wall tablet is paired by a code, shows the wall and nothing else, and is dead at its next touch when revoked", async ({
  browser,
}) => {
  const owners = await fresh(browser);
  const owner = await owners.newPage();
  await signIn(owner, "Ines");
  await expect(owner).toHaveURL(`${base}/`);
  await owner.goto("/settings/people");
  const tablets = owner.getByRole("region", { name: "Tablets" });
  await tablets.getByLabel("Name").fill("Tablet at the wall");
  await tablets.getByLabel("For").selectOption("wall");
  await tablets.getByRole("button", { name: "Pair a tablet" }).click();
  const code = (await tablets.getByText(/^\d{6}$/).innerText()).trim();

  const walls = await fresh(browser, { viewport: { width: 1024, height: 768 }, hasTouch: true });
  const wall = await walls.newPage();
  await wall.goto("/pair");
  await wall.getByLabel("Code").fill("000000");
  await wall.getByRole("button", { name: "Pair" }).click();
  await expect(wall.getByText("That code is not open.")).toBeVisible();
  await wall.getByLabel("Code").fill(code);
  await wall.getByRole("button", { name: "Pair" }).click();
  await expect(wall).toHaveURL(`${base}/wall`);
  await expect(wall.getByRole("heading", { name: "What do you want to lift?" })).toBeVisible();
  await wall.goto("/bars");
  await expect(wall.getByRole("heading", { name: "Not on this tablet" })).toBeVisible();
  await wall.getByRole("link", { name: "Open its screen" }).click();
  await expect(wall.getByRole("heading", { name: "What do you want to lift?" })).toBeVisible();
  expect(await serious(wall)).toEqual([]);
  // Somebody copies its key.
  const thieves = await fresh(browser);
  await thieves.addCookies(await walls.cookies());
  const thief = await thieves.newPage();
  expect((await thief.goto("/wall"))!.status()).toBe(200);
  expect((await thief.request.get(`${base}/api/v1/bars`)).status()).toBe(401);

  await owner.reload();
  await owner.getByRole("button", { name: "Revoke Tablet at the wall" }).click();
  await expect(owner.getByText("Revoked. Its next touch")).toBeVisible();
  expect((await thief.goto("/wall"))!.status()).toBe(401);
  expect((await wall.goto("/wall"))!.status()).toBe(401);
  await thieves.close();
  await walls.close();
  await owners.close();
});

test("a second step and a passkey guard an account; a second browser is signed out from the first", async ({
  browser,
}) => {
  const context = await fresh(browser);
  const page = await context.newPage();
  await signIn(page, "Ines");
  await expect(page).toHaveURL(`${base}/`);
  await page.goto("/settings/account");
  expect(await serious(page)).toEqual([]);
  // The code is what the app would read: RFC 6238.
  await page.getByText("No camera?").click();
  const secret = await page.locator("code").innerText();
  expect(await scanned(page, "Code to scan with an authenticator app")).toContain(`secret=${secret}`);
  const codeAt = (moment: Date) =>
    new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: moment.getTime() });
  await page.getByLabel("Code", { exact: true }).fill(codeAt(now()));
  await page.getByRole("button", { name: "Turn on" }).click();
  const spare = await page
    .getByText(/^[0-9a-f]{5}-[0-9a-f]{5}$/)
    .first()
    .innerText();

  // A device that has a passkey, as a telephone does.
  const session = await context.newCDPSession(page);
  await session.send("WebAuthn.enable");
  await session.send("WebAuthn.addVirtualAuthenticator", {
    options: {
      protocol: "ctap2",
      transport: "internal",
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  const keys = page.getByRole("region", { name: "Passkeys" });
  await keys.getByLabel("Name").fill("My telephone");
  await keys.getByRole("button", { name: "Add passkey" }).click();
  await expect(keys.getByText("My telephone")).toBeVisible();

  const other = await fresh(browser);
  const elsewhere = await other.newPage();
  await signIn(elsewhere, "Ines");
  await expect(elsewhere.getByLabel("Code", { exact: true })).toBeVisible();
  await elsewhere.getByLabel("Passphrase", { exact: true }).fill(PASSPHRASE);
  await elsewhere.getByLabel("Code", { exact: true }).fill(spare);
  await elsewhere.getByRole("button", { name: "Sign in" }).click();
  await expect(elsewhere).toHaveURL(`${base}/`);

  await page.reload();
  await page.getByRole("button", { name: "Sign out everywhere else" }).click();
  await expect(page.getByText("Signed out there.")).toBeVisible();
  expect((await elsewhere.goto("/bars"))!.status()).toBe(401);
  await other.close();

  await page.goto("/settings");
  await page.getByRole("button", { name: "Sign out" }).click();
  await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await page.getByRole("button", { name: "Use a passkey" }).click();
  await expect(page).toHaveURL(`${base}/`);
  await context.close();
});

test("a lifter sees only their own, and corrects and withdraws their words", async ({ browser }) => {
  const { page, close } = await lifterOfDemo(browser);
  await expect(page).toHaveURL(/\/me$/);
  expect(await serious(page)).toEqual([]);
  await expect(page.getByRole("region", { name: "Next class" })).toContainText("Evening class");
  for (const path of ["/lifters", "/classes", "/settings/people", "/load/session"]) {
    await page.goto(path);
    await expect(page.getByText(/Okerlund|Fenwright/)).toHaveCount(0);
  }
  await page.goto("/me");
  await page.getByLabel("In your words").fill("aches when it is cold");
  await page.getByRole("checkbox", { name: "wrist" }).check();
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.getByRole("button", { name: "Withdraw all of it" }).click();
  await expect(page.getByText("Withdrawn.")).toBeVisible();
  await expect(page.getByLabel("In your words")).toHaveValue("");
  await close();
});

/** The demonstration's lifter, picked. */
async function lifterOfDemo(browser: Browser) {
  const context = await browser.newContext({ storageState: { cookies: [], origins: [] } });
  const page = await context.newPage();
  await page.goto("/sign-in");
  await page.getByRole("button", { name: /^Runa Dellby/ }).click();
  return { page, close: () => context.close() };
}
