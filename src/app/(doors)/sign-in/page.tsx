import type { Metadata } from "next";
import { FloorKeeper } from "@/ui/kit/FloorKeeper";
import { SignInDoor } from "./SignInDoor";

export const metadata: Metadata = { title: "Sign in" };

export default async function SignInPage({ searchParams }: { searchParams: Promise<{ to?: string | string[] }> }) {
  const { to } = await searchParams;
  return (
    <>
      <SignInDoor to={typeof to === "string" ? to : "/"} />
      <FloorKeeper />
    </>
  );
}
