// @vitest-environment jsdom
import { screen } from "@testing-library/react";
import { renderToString } from "react-dom/server";
import { afterEach, expect, it, vi } from "vitest";
import { show } from "../touch.fixture";
import { drawnLater, fetched } from "./fetched";

afterEach(() => vi.restoreAllMocks());

const Lines = ({ of }: { of: string }) => <figure aria-label={of}>drawn</figure>;

it("a part that is drawn later keeps its room on the server and is drawn in the browser", async () => {
  const load = vi.fn(() => Promise.resolve(Lines));
  const Chart = drawnLater(load, "h-36");
  expect(renderToString(<Chart of="Runout" />)).toBe('<div class="h-36"></div>');
  expect(load).not.toHaveBeenCalled();
  show(<Chart of="Runout" />);
  expect(await screen.findByRole("figure", { name: "Runout" })).toBeTruthy();
  expect(load).toHaveBeenCalledTimes(1);
});

it("where its script does not come, the part says so and the rest of the page stays", async () => {
  const failing = () => Promise.reject(new Error("no connection"));
  const [Chart, Form] = [drawnLater<{ of: string }>(failing, "h-36"), fetched<{ of: string }>(failing)];
  show(
    <>
      <h1>Records</h1>
      <Chart of="Runout" />
      <Form of="Hours" />
    </>,
  );
  expect(await screen.findAllByRole("alert")).toHaveLength(2);
  expect(screen.getByRole("heading", { name: "Records" })).toBeTruthy();
});
