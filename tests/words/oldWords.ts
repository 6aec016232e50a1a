/**
 * Whole phrases that a gym would not say, with what it says. Written without case; a phrase counts where no letter or
 * hyphen joins it on either side.
 */
export const OLD_WORDS: readonly (readonly [phrase: string, better: string])[] = [
  ["enter a bar", "Add bar"],
  ["enter the class", "Add class"],
  ["files in and out", "Import / export"],
  ["no bar answers to that", "No bars match"],
  ["nothing was taken in", "Nothing imported"],
  ["mend the file", "Fix the file"],
  ["write over it", "Overwrite"],
  ["keep the rules", "Save"],
  ["keep the changes", "Save"],
  ["taken back", "undone"],
  ["found, and not settled", "Not resolved"],
  ["touches are kept", "saved on this tablet"],
  ["touches wait", "waiting to sync"],
  ["the server said no", "Not saved"],
  ["from what was asked", "off target"],
  ["another load for this set", "Change load"],
  ["go on with it", "Resume"],
  ["whatever it takes", "closest possible"],
  ["ladders and sessions", "Warm-ups and sessions"],
  ["off one side at most", "max off one side"],
  ["has no place", "unassigned"],
  ["take along", "Bring"],
  ["empty is worked out", "Leave blank to calculate"],
  ["fits into nobody’s hours", "Doesn’t fit any shift"],
  ["rolled on the floor it hops", "wobbles when rolled"],
  ["where you decide otherwise", "reason for overriding"],
  ["who is asking", "Signed in as"],
  ["would change it", "Do it and the bar moves up."],
  ["it stands otherwise now", "The bar is set differently now"],
  ["of tipping", "far from tipping"],
  ["loaded anew", "Reloading from empty each time"],
  ["anew", "again"],
  ["at hand", "here"],
  ["of today", "today’s"],
  ["somebody", "someone"],
  ["whoever", "the person who"],
  ["the program", "Garrison"],
  ["the house", "the gym"],
  ["meeting", "competition"],
  ["meetings", "competitions"],
  // Grammar carried over from another language, as it was found.
  ["people who know how", "a specialist"],
  ["stays by itself", "stays put"],
  ["by themselves", "automatically"],
  ["put right", "fixed"],
  ["is to hang", "should hang"],
  ["as it is built", "as built"],
  ["was looked at", "was checked"],
  ["never looked at", "never checked"],
  ["want a place", "to assign"],
  ["something else than", "does not … what"],
  ["off the wish", "off target"],
  ["anybody", "anyone, or say it without"],
  ["nobody said", "not recorded"],
];

/** Words of buttons that say too little of what happens: they count where they are all that stands there. */
export const OLD_BUTTONS: readonly (readonly [word: string, better: string])[] = [
  ["keep", "Save"],
  ["leave it", "Cancel"],
  ["mend", "Fix"],
  ["read", "Dismiss"],
  ["enter it", "Add"],
  ["take them in", "Import"],
  ["take in", "Import"],
  ["keep it", "Save"],
  ["take back", "Undo"],
  ["take them away", "Delete"],
  ["take away", "Delete"],
  ["see to it", "name what to do"],
  ["settle", "Resolve"],
  ["type it", "Other…"],
  ["on now", "In progress"],
  ["run it", "Start"],
  ["that is it", "Already loaded"],
  ["it is loaded", "Mark loaded"],
  ["doing it", "Do it and the bar moves up."],
];

/** Where a phrase is right all the same, with what stands around it. */
const RIGHT = [
  // The name of the rules, and of one of them.
  /\bthe house (rules?|dust)\b/gi,
  // A piece of software that asks through the interface.
  /\bthe program(?= (sends|asks))/gi,
];

const boundary = (phrase: string) =>
  new RegExp(
    `(?<![\\p{L}-])${phrase
      .replace(/[.*+?^${}()|[\]\\]/g, "\\$&")
      .replace(/’/g, "['’]")
      .replace(/ /g, "\\s+")}(?![\\p{L}-])`,
    "giu",
  );
const PATTERNS = OLD_WORDS.map(([phrase, better]) => ({ phrase, better, pattern: boundary(phrase) }));

/**
 * The phrases of a text that a gym would not say.
 *
 * @returns "phrase → better: the text", one for each
 */
export function oldWordsIn(text: string): string[] {
  const rest = RIGHT.reduce((left, right) => left.replace(right, "…"), text);
  const all = text.replace(/\s+/g, " ").trim();
  const button = OLD_BUTTONS.find(([word]) => word === all.toLowerCase().replace(/[.:…]$/, ""));
  if (button) return [`${button[0]} → ${button[1]}: ${all}`];
  return PATTERNS.flatMap(({ phrase, better, pattern }) =>
    rest.search(pattern) >= 0 ? [`${phrase} → ${better}: ${all.slice(0, 120)}`] : [],
  );
}
