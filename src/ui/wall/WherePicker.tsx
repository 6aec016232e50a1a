import Link from "../kit/Link";
import { href } from "../kit/search";

interface Props {
  places: readonly string[];
  from: string | undefined;
  back: { href: string; text: string };
}

/** A hall with hundreds of bars: first where the bar hangs, then which it is. */
export function WherePicker({ places, from, back }: Props) {
  return (
    <main className="mx-auto max-w-[110rem] px-[3vw] py-[2vh]">
      <header className="mb-[2vh] flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-[clamp(1.5rem,3vw,2.6rem)]">Where does the bar hang?</h1>
        <Link href={back.href} className="btn btn-outline min-h-12">
          {back.text}
        </Link>
      </header>
      <nav aria-label="Places" className="grid grid-cols-2 gap-2 md:grid-cols-4">
        {places.toSorted().map((place) => (
          <Link
            key={place}
            href={href("/wall/which", { place, from })}
            className="sheet hover:border-primary grid min-h-20 place-items-center px-3 text-center text-lg font-bold"
          >
            {place}
          </Link>
        ))}
      </nav>
    </main>
  );
}
