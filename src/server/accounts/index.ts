import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { ACCOUNT_EVENTS, type AccountLine, accountLines, noteAccount } from "./accountLog";
export { claimGym, claimOf, type GymFacts } from "./claim";
export { gymOf, gymText, ownUnits, saveGym, saveOwnUnits } from "./gym";
export { listDevices, makePairingCode, pairDevice, type PairedDevice, revokeDevice } from "./devices";
export {
  askForReset,
  type Invitation,
  invitationOf,
  invite,
  inviteAgain,
  joinWithNewAccount,
  joinWithOwnAccount,
  resetPassphrase,
} from "./invitations";
export { outboxLetters, type OutboxLetter, sendLetters } from "./letters";
export { secondsUntilAllowed, waitWords } from "./limits";
export { changePassphrase, ownAccount, type OwnAccount } from "./ownAccount";
export {
  addPasskey,
  ownPasskeys,
  type OwnPasskey,
  passkeySite,
  passkeyToAdd,
  passkeyToSignIn,
  removePasskey,
  signInWithPasskey,
} from "./passkeys";
export { changeRole, CONFIRM_FIRST, listMembers, type Member, removePerson, rolesToGive } from "./people";
export { peopleWithPin, setPin, ticketFor, withTicket } from "./pins";
export { newSecondStep, turnOffSecondStep, turnOnSecondStep } from "./secondStep";
export {
  confirmSession,
  forgetOldSessions,
  endSessions,
  enterHall,
  hallsOfAccount,
  type OpenSession,
  openSessions,
  signOut,
} from "./sessions";
export { peopleToPick, pickPerson, signIn } from "./signIn";
export { listTokens, makeToken, type ProgramToken, revokeToken } from "./tokens";
