import { TERM_KEYS, TERMS, type TermKey } from "@/core/glossary/terms";
import { KnurlPatterns } from "../kit/BarDrawing";
import { KeyList } from "../kit/Keyboard";
import Link from "../kit/Link";
import { PageHead } from "../kit/PageHead";
import { TermDrawing } from "../kit/TermDrawing";
import { Say } from "../kit/shown";

/** Where to go for what; a lifter sees what a lifter may open. */
const WAYS: readonly { href: string; word: string; what: string; forLifters?: true }[] = [
  { href: "/match", word: "Match", what: "which bar for a lift, a load and a lifter, and why", forLifters: true },
  { href: "/load", word: "Load", what: "which plates go on each side, exactly", forLifters: true },
  {
    href: "/compare",
    word: "Compare",
    what: "bars over one another, and whether the difference matters",
    forLifters: true,
  },
  {
    href: "/bars",
    word: "Bars",
    what: "the wall: what hangs where, in which state, measured or only stated",
    forLifters: true,
  },
  { href: "/classes", word: "Classes", what: "who is where with which bar tonight, and the sheet to print" },
  { href: "/setups", word: "Setups", what: "how an adjustable bar is set for someone, and its card" },
  { href: "/care", word: "Care", what: "what is due, what needs it most, and a round along the wall" },
  { href: "/lifters", word: "Lifters", what: "who lifts here, what is not comfortable for them, their log" },
  { href: "/settings", word: "Settings", what: "units, theme, gym, house rules, people and backups", forLifters: true },
];

/** What the product is for, screen by screen, the words of the trade with a drawing each, and the keys. */
export function HelpSheet({ role }: { role: string }) {
  const ways = WAYS.filter(({ forLifters }) => forLifters || role !== "lifter");
  const terms = TERM_KEYS.toSorted((a, b) => TERMS[a].word.localeCompare(TERMS[b].word, "en"));
  return (
    <>
      <KnurlPatterns />
      <PageHead title="Help" about="where to go for what, the words of the trade, the keys" />
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-3 xl:grid-cols-[minmax(0,1fr)_22rem]">
        <section className="sheet p-4" aria-labelledby="words">
          <h2 id="words" className="mb-2 font-bold">
            Words of the trade
          </h2>
          <dl className="grid gap-x-8 gap-y-4 sm:grid-cols-2 2xl:grid-cols-3">
            {terms.map((key) => (
              <Entry key={key} term={key} />
            ))}
          </dl>
        </section>
        <div className="grid gap-3">
          <section className="sheet p-4" aria-labelledby="ways">
            <h2 id="ways" className="mb-1 font-bold">
              Where to go
            </h2>
            <ul className="text-sm">
              {ways.map(({ href, word, what }) => (
                <li key={href}>
                  <Link href={href} className="flex min-h-11 flex-wrap items-center gap-x-2 hover:underline">
                    <strong>{word}</strong> <span className="text-quiet">{what}</span>
                  </Link>
                </li>
              ))}
            </ul>
          </section>
          <section className="sheet p-4" aria-labelledby="keys">
            <h2 id="keys" className="mb-2 font-bold">
              Keys
            </h2>
            <KeyList />
          </section>
        </div>
      </div>
    </>
  );
}

function Entry({ term }: { term: TermKey }) {
  const { word, meaning, ...rest } = TERMS[term];
  const also = "also" in rest ? rest.also : null;
  return (
    <div id={term} className="scroll-mt-4">
      <dt className="font-semibold">
        {word} {also && <span className="text-quiet text-sm font-normal">({also.join(", ")})</span>}
      </dt>
      <dd className="text-sm">
        <div className="my-1">
          <TermDrawing term={term} />
        </div>
        <Say text={meaning} />
      </dd>
    </div>
  );
}
