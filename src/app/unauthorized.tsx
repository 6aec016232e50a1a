import { SignInDoor } from "./(doors)/sign-in/SignInDoor";

/** Nobody is signed in: whatever was asked for, this is shown, with 401, and what was asked for comes after signing in. */
export default function Unauthorized() {
  return <SignInDoor to="" />;
}
