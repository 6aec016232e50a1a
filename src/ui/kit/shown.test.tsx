// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { Kg, Mm, Say, UnitInput } from "./shown";
import { sentText, ShownProvider } from "./ShownProvider";

vi.mock("next/navigation", () => ({ usePathname: () => "/bars" }));
afterEach(cleanup);

const inPounds = (children: React.ReactNode) =>
  render(
    <ShownProvider units={{ mass: "lb", length: "in" }} today="2026-11-28" locale="en-GB">
      <form aria-label="form">{children}</form>
    </ShownProvider>,
  );
/** What the fields send; that a form asks them is tried in a browser (e2e/units.spec.ts), which has that event. */
const sent = () =>
  Object.fromEntries(
    screen
      .getAllByRole<HTMLInputElement>("textbox")
      .map((field) => [field.name, sentText(field, { mass: "lb", length: "in" })]),
  );

it("what nobody touched goes back exactly as it is kept, what was typed with the unit it was typed in", async () => {
  inPounds(
    <>
      <UnitInput name="height" aria-label="height" unit="mm" value={1890} />
      <UnitInput name="mass" aria-label="mass" unit="kg" value={82.3} />
      <UnitInput name="hand" aria-label="hand" unit="mm" value={null} />
    </>,
  );
  expect(screen.getByLabelText<HTMLInputElement>("height").value).toBe("74.409");
  expect(sent()).toEqual({ height: "1890", mass: "82.3", hand: "" });
  const user = userEvent.setup();
  await user.clear(screen.getByLabelText("mass"));
  await user.type(screen.getByLabelText("mass"), "181,5");
  await user.type(screen.getByLabelText("hand"), "190 mm");
  expect(sent()).toEqual({ height: "1890", mass: "181,5 lb", hand: "190 mm" });
});

it("k shows the others until it is pressed again, and not while something is typed", async () => {
  inPounds(
    <>
      <p>
        <Kg value={20} decimals={1} />, <Mm value={28.5} decimals={1} />, <Say text="K04 since 2026-11-27, 100 kg" />
      </p>
      <UnitInput name="load" aria-label="load" unit="kg" value={null} />
    </>,
  );
  const user = userEvent.setup();
  const text = () => screen.getByRole("paragraph").textContent;
  expect(text()).toBe("44.1 lb, 1.122 in, K04 since Fri 27 Nov, 220 lb");
  await user.type(screen.getByLabelText("load"), "k");
  expect(text()).toContain("44.1 lb");
  screen.getByLabelText("load").blur();
  await user.keyboard("k");
  expect(screen.getAllByRole("paragraph")[0]!.textContent).toBe("20 kg, 28.5 mm, K04 since Fri 27 Nov, 100 kg");
  await user.keyboard("k");
  expect(text()).toContain("44.1 lb");
});
