import { RUST_GRADES } from "@/core/care/inspection";

/** Where the marks of each grade lie: our own drawing, so many spots of such a size on a piece of shaft. */
const SPOTS: Record<string, { count: number; size: number; depth: number; haze: number }> = {
  none: { count: 0, size: 0, depth: 0, haze: 0 },
  bloom: { count: 0, size: 0, depth: 0, haze: 0.35 },
  specks: { count: 14, size: 1.4, depth: 0, haze: 0.15 },
  patches: { count: 9, size: 5, depth: 0, haze: 0.3 },
  pits: { count: 9, size: 4, depth: 1, haze: 0.4 },
};

/** A piece of shaft for each grade of rust, to hold the real one against. */
export function RustScale({ chosen }: { chosen: string }) {
  return (
    <ul className="grid grid-cols-5 gap-2 text-xs" aria-label="Scale of rust">
      {RUST_GRADES.map(([grade, words]) => {
        const { count, size, depth, haze } = SPOTS[grade]!;
        return (
          <li key={grade} className={chosen === grade ? "outline-primary outline-2 outline-offset-2" : undefined}>
            <svg viewBox="0 0 80 30" className="block w-full" role="img" aria-label={`${grade}: ${words}`}>
              <rect width={80} height={30} fill="#8b9297" />
              <rect width={80} height={6} y={5} fill="#c9ced1" opacity={0.7} />
              {haze > 0 && <rect width={80} height={30} fill="#a8502a" opacity={haze} />}
              {Array.from({ length: count }, (_, i) => {
                const [x, y] = [(i * 37 + 11) % 76, (i * 23 + 7) % 26];
                return (
                  <g key={i}>
                    <ellipse cx={x + 2} cy={y + 2} rx={size} ry={size * 0.7} fill="#8a3d1c" />
                    {depth > 0 && <ellipse cx={x + 2} cy={y + 2} rx={size * 0.5} ry={size * 0.35} fill="#2b140a" />}
                  </g>
                );
              })}
            </svg>
            <span className="font-semibold">{grade}</span> {words}
          </li>
        );
      })}
    </ul>
  );
}
