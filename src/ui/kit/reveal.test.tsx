import { Suspense } from "react";
import { renderToReadableStream } from "react-dom/server";
import { describe, expect, it } from "vitest";
import { REVEAL } from "./reveal";

/** A part of a page that is worked out for so many turns of the server. */
async function Part({ name, turns }: { name: string; turns: number }) {
  for (let turn = 0; turn < turns; turn += 1) await new Promise((done) => setTimeout(done));
  return <p>{name}</p>;
}

/** What the server sends for a frame with two parts, in the pieces it sends. */
async function pieces(): Promise<string[]> {
  const stream = await renderToReadableStream(
    <body>
      <script dangerouslySetInnerHTML={{ __html: REVEAL }} />
      <nav>Sections</nav>
      <Suspense fallback={<p>…</p>}>
        <Part name="first" turns={3} />
      </Suspense>
      <Suspense fallback={<p>…</p>}>
        <Part name="second" turns={30} />
      </Suspense>
    </body>,
  );
  const all: string[] = [];
  const decoder = new TextDecoder();
  for await (const piece of stream as unknown as AsyncIterable<Uint8Array>) all.push(decoder.decode(piece));
  return all;
}

type Then = (now: number) => void;
interface TestWindow {
  document: Document;
  eval(script: string): void;
  requestAnimationFrame(then: Then): void;
  setTimeout(then: Then): void;
}
// It comes without types.
const { JSDOM } = (await import("jsdom" as string)) as {
  JSDOM: new (
    page: string,
    options: { runScripts: string; beforeParse(window: TestWindow): void },
  ) => {
    window: TestWindow;
  };
};

/** A browser whose frames and tasks come when the test says so. */
function browser(hasScheduler: boolean) {
  const frames: Then[] = [];
  const tasks: Then[] = [];
  const { window } = new JSDOM("", {
    runScripts: "dangerously",
    beforeParse(window) {
      window.requestAnimationFrame = (then) => frames.push(then);
      window.setTimeout = (then) => tasks.push(then);
      if (hasScheduler) Object.assign(window, { scheduler: { postTask: (then: Then) => tasks.push(then) } });
    },
  });
  const run = (queue: Then[]) => {
    for (const then of queue.splice(0)) then(0);
  };
  return {
    /** Reads a piece behind what is there, and does what its scripts say. */
    receive(piece: string) {
      const { body } = window.document;
      const known = body.querySelectorAll("script").length;
      body.insertAdjacentHTML("beforeend", piece);
      for (const { text } of [...body.querySelectorAll("script")].slice(known)) window.eval(text);
    },
    frame: () => run(frames),
    task: () => run(tasks),
    shown: () => [...window.document.querySelectorAll("body > p")].map(({ textContent }) => textContent),
  };
}

describe.each([
  ["a browser with a scheduler", true],
  ["one without", false],
])("parts of a page in %s", (_, hasScheduler) => {
  it("are shown once the frame is painted, at once after that, and not held back", async () => {
    const all = await pieces();
    const parts = all.filter((piece) => piece.includes("$RC("));
    const frame = all.slice(0, all.indexOf(parts[0]!)).join("");
    expect(parts.length).toBe(2);
    const { receive, frame: nextFrame, task, shown } = browser(hasScheduler);
    receive(frame);
    receive(parts[0]!);
    expect(shown()).toEqual(["…", "…"]);
    nextFrame();
    // This frame is painted with what stood in it; the part comes right behind it.
    expect(shown()).toEqual(["…", "…"]);
    task();
    expect(shown()).toEqual(["first", "…"]);
    receive(parts[1]!);
    nextFrame();
    expect(shown()).toEqual(["first", "second"]);
  });
});
