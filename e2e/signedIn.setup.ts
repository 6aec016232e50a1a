import { writeFileSync } from "node:fs";
import { signedIn } from "../scripts/lib/signedIn.mjs";

/** Before the browser tests: the manager of the demonstration is signed in, in a file that every context begins with. */
export default async function signInOnce(): Promise<void> {
  const [base, file] = [process.env.BASE_URL!, process.env.E2E_STATE!];
  const { cookie } = await signedIn(process.env.E2E_DATABASE_URL!, base);
  const [name, value] = cookie.split("=") as [string, string];
  writeFileSync(
    file,
    JSON.stringify({
      cookies: [
        {
          name,
          value,
          domain: new URL(base).hostname,
          path: "/",
          expires: -1,
          httpOnly: true,
          secure: false,
          sameSite: "Lax",
        },
      ],
      origins: [],
    }),
  );
}
