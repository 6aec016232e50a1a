import type { Metadata } from "next";
import { doorstep } from "@/server/access";
import { DoorSheet } from "@/ui/doors/DoorSheet";
import { ForgotForm } from "@/ui/doors/ForgotForm";
import { forgotAction } from "./actions";

export const metadata: Metadata = { title: "Forgot your passphrase" };

export default async function ForgotPage() {
  const { mail } = await doorstep();
  return (
    <DoorSheet
      title="Forgot your passphrase"
      about={
        mail
          ? "We send a link to the e-mail address of your account."
          : "This gym sends no mail. Its owner can make you a link: Settings, People and devices, New link."
      }
    >
      {mail && <ForgotForm action={forgotAction} />}
    </DoorSheet>
  );
}
