import { SignInFirst } from "@/ui/doors/SignInFirst";

/**
 * Nobody is signed in, or a tablet asks for what is not its own: 401, and the way to the sign-in page. Every page carries
 * this with it, so it asks the database nothing and says nothing of a gym.
 */
export default function Unauthorized() {
  return <SignInFirst />;
}
