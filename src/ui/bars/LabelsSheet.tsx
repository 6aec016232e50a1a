import type { LabelledBar } from "@/papers/labelsPdf";
import { CAP_MM, type LabelKind, MAX_LABELS, SHELF_MM } from "@/papers/labelKinds";
import { AskForm } from "../kit/AskForm";
import type { FormAction } from "../kit/formState";
import { PageHead } from "../kit/PageHead";
import { href } from "../kit/search";
import { BothMasses } from "../wall/BothMasses";
import { LabelColours, type LabelColour } from "./LabelColours";

interface Props {
  kind: LabelKind;
  ask: { family: string | undefined; place: string | undefined };
  families: readonly { key: string; name: string }[];
  places: readonly string[];
  count: number;
  /** The first label, as it will be printed; null where no bar gets one. */
  sample: (LabelledBar & { qr: { path: string; size: number } }) | null;
  colours: readonly LabelColour[];
  version: number;
  mayEdit: boolean;
  action: FormAction;
}

/** Labels for the wall and the end caps: which bars, how they look, and the file to print. */
export function LabelsSheet({ kind, ask, families, places, count, sample, colours, version, mayEdit, action }: Props) {
  return (
    <>
      <PageHead
        title="Labels"
        about="tags to hang below bars and to stick on their ends; each has a code for the bar’s page"
      />
      <AskForm
        action="/bars/labels"
        label="Which labels"
        className="sheet mb-3 flex flex-wrap items-baseline gap-x-6 gap-y-1 px-4 py-1.5"
      >
        <label className="ask">
          print
          <select name="kind" defaultValue={kind} key={kind}>
            <option value="shelf">
              shelf tags, {SHELF_MM.width} × {SHELF_MM.height} mm
            </option>
            <option value="cap">end caps, {CAP_MM} mm across</option>
          </select>
        </label>
        <label className="ask">
          family
          <select name="family" defaultValue={ask.family ?? ""} key={ask.family}>
            <option value="">all</option>
            {families.map(({ key, name }) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="ask">
          place
          <select name="place" defaultValue={ask.place ?? ""} key={ask.place}>
            <option value="">all</option>
            {places.map((name) => (
              <option key={name}>{name}</option>
            ))}
          </select>
        </label>
      </AskForm>
      <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <section className="sheet px-4 py-3" aria-labelledby="preview">
          <h2 id="preview" className="mb-2 text-sm font-bold">
            How they look
          </h2>
          {sample ? (
            <>
              {kind === "shelf" ? <ShelfPreview bar={sample} /> : <CapPreview bar={sample} />}
              <p className="text-quiet mt-3 text-sm">
                Print at 100 %, not fitted to the page, so that each label comes out at this size.
              </p>
              {count > MAX_LABELS ? (
                <p className="text-accent mt-3">
                  {count} labels: at most {MAX_LABELS} at once. Choose a family or a place.
                </p>
              ) : (
                <a
                  href={href("/bars/labels.pdf", { kind, family: ask.family, place: ask.place })}
                  target="_blank"
                  rel="noreferrer"
                  className="btn btn-neutral mt-3"
                >
                  Print {count} {count === 1 ? "label" : "labels"} (PDF)
                </a>
              )}
            </>
          ) : (
            <p>No bar of this family hangs there.</p>
          )}
        </section>
        <LabelColours colours={colours} version={version} mayEdit={mayEdit} action={action} />
      </div>
    </>
  );
}

type Sample = NonNullable<Props["sample"]>;

function Code({ bar, className }: { bar: Sample; className: string }) {
  return (
    <svg
      viewBox={`0 0 ${bar.qr.size} ${bar.qr.size}`}
      role="img"
      aria-label="code for the bar’s page"
      className={className}
    >
      <rect width={bar.qr.size} height={bar.qr.size} fill="#fff" />
      <path d={bar.qr.path} fill="#000" />
    </svg>
  );
}

/** On paper, whatever the theme: black on white. */
function ShelfPreview({ bar }: { bar: Sample }) {
  return (
    <div className="flex aspect-[90/38] w-[min(100%,27rem)] border bg-white text-[#1c2a33] [&_.text-quiet]:text-[#5b666c]">
      <span className="w-[5.5%] shrink-0" style={{ background: bar.colour ?? undefined }} />
      <div className="flex min-w-0 flex-1 flex-col justify-between p-3">
        <p>
          <span className="block text-3xl leading-tight font-bold">{bar.tag}</span>
          <span className="block text-sm font-bold">{bar.name}</span>
          <span className="block text-xs">
            {bar.family}: {bar.madeFor}
          </span>
        </p>
        <p className="text-sm">
          weighs {bar.massKg === null ? "not known: ask" : <BothMasses kg={bar.massKg} />}
          <br />
          carries at most {bar.ratedKg === null ? "not known: ask" : <BothMasses kg={bar.ratedKg} />}
        </p>
      </div>
      <Code bar={bar} className="my-auto mr-2 w-[30%]" />
    </div>
  );
}

function CapPreview({ bar }: { bar: Sample }) {
  return (
    <div
      className="flex size-60 flex-col items-center justify-center rounded-full border bg-white text-[#1c2a33] [&_.text-quiet]:text-[#5b666c]"
      style={bar.colour ? { boxShadow: `inset 0 0 0 0.4rem #fff, inset 0 0 0 1.1rem ${bar.colour}` } : undefined}
    >
      <span className="text-3xl leading-tight font-bold">{bar.tag}</span>
      <span className="text-sm font-bold">
        {bar.massKg === null ? "not known: ask" : <BothMasses kg={bar.massKg} />}
      </span>
      <Code bar={bar} className="w-[42%]" />
    </div>
  );
}
