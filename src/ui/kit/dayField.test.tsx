// @vitest-environment jsdom
import "../dom.fixture";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import { DayField } from "./DayField";
import { ShownProvider } from "./ShownProvider";

const UNITS = { mass: "kg", length: "mm" } as const;

function setUp(locale = "en-GB") {
  render(
    <ShownProvider units={UNITS} today="2026-11-28" locale={locale}>
      <form aria-label="one">
        <label>
          Day
          <DayField name="on" start="2026-11-03" max="2026-11-28" />
        </label>
        <button>Elsewhere</button>
      </form>
    </ShownProvider>,
  );
  // The document of these tests does not tell of a form's data, as browsers do when it is gathered.
  const sent = () => {
    const form = screen.getByRole<HTMLFormElement>("form");
    const formData = new FormData(form);
    const told = new Event("formdata", { bubbles: true });
    form.dispatchEvent(Object.assign(told, { formData }));
    return formData.get("on");
  };
  return { user: userEvent.setup(), sent, field: screen.getByRole<HTMLInputElement>("textbox") };
}

it("says a day as every page does, takes it as people write it, and sends it as files have it", async () => {
  const { user, sent, field } = setUp();
  expect([field.value, sent()]).toEqual(["Tue 3 Nov", "2026-11-03"]);
  await user.clear(field);
  await user.type(field, "9 feb");
  await user.click(screen.getByText("Elsewhere"));
  expect([field.value, sent()]).toEqual(["Mon 9 Feb", "2026-02-09"]);
  await user.clear(field);
  await user.type(field, "sometime");
  await user.click(screen.getByText("Elsewhere"));
  // What is no day goes as it was typed, and the server says so.
  expect([field.value, sent()]).toEqual(["sometime", "sometime"]);
});

it("reads strokes by the gym's locale", async () => {
  const { user, sent, field } = setUp("en-US");
  await user.clear(field);
  await user.type(field, "3/4/2026");
  expect(sent()).toBe("2026-03-04");
});

it("is chosen from a calendar, by mouse or keys, up to its last day", async () => {
  const { user, sent, field } = setUp();
  await user.click(screen.getByRole("button", { name: "Calendar" }));
  await user.click(await screen.findByRole("button", { name: /November 17th, 2026/ }));
  expect([field.value, sent()]).toEqual(["Tue 17 Nov", "2026-11-17"]);
  expect(screen.queryByRole("grid")).toBeNull();
  await user.click(screen.getByRole("button", { name: "Calendar" }));
  const late = await screen.findByRole("button", { name: /November 29th, 2026/ });
  expect((late as HTMLButtonElement).disabled).toBe(true);
  await user.keyboard("{ArrowRight}{Enter}");
  expect(sent()).toBe("2026-11-18");
});
