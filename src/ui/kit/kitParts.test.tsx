// @vitest-environment jsdom
import { fireEvent, screen, within } from "@testing-library/react";
import { beforeAll, describe, expect, it } from "vitest";
import { visits } from "../dom.fixture";
import { show } from "../touch.fixture";
import { FillScreen } from "./FillScreen";
import { FoldOnPhone } from "./FoldOnPhone";
import { FormProblems } from "./FormProblems";
import { FRESH } from "./formState";
import { Keyboard } from "./Keyboard";
import { SECTIONS } from "./sections";

/* Parts that every screen uses. */

beforeAll(() => {
  // The document of these tests knows dialogs but does not open them.
  HTMLDialogElement.prototype.showModal = function () {
    this.open = true;
  };
  HTMLDialogElement.prototype.close = function () {
    this.open = false;
    this.dispatchEvent(new Event("close"));
  };
});

describe("the keys of the whole product", () => {
  it("lead to every section by g and its letter, each letter once", async () => {
    const { user } = show(<Keyboard />);
    for (const { letter } of SECTIONS) await user.keyboard(`g${letter}`);
    expect(visits.went).toEqual(SECTIONS.map(({ href }) => href));
    expect(new Set(SECTIONS.map(({ letter }) => letter)).size).toBe(SECTIONS.length);
  });
  it("do nothing while somebody types, and a letter alone leads nowhere", async () => {
    const { user } = show(
      <>
        <Keyboard />
        <input aria-label="note" />
      </>,
    );
    await user.keyboard("b");
    await user.type(screen.getByLabelText("note"), "gb/?");
    expect(visits.went).toEqual([]);
    expect(screen.getByLabelText<HTMLInputElement>("note").value).toBe("gb/?");
  });
  it("put the cursor into the search that is there, or go to the wall's", async () => {
    const { user, again } = show(<Keyboard />);
    await user.keyboard("/");
    expect(visits.went).toEqual(["/bars?focus=search"]);
    again(
      <>
        <Keyboard />
        <input data-search aria-label="search" />
      </>,
    );
    await user.keyboard("/");
    expect(document.activeElement).toBe(screen.getByLabelText("search"));
    expect(screen.getByLabelText<HTMLInputElement>("search").value).toBe("");
  });
  it("are listed by a question mark", async () => {
    const { user } = show(<Keyboard />);
    expect(screen.queryByText("search bars")).toBeNull();
    await user.keyboard("?");
    expect(await screen.findByText("search bars")).toBeTruthy();
  });
});

describe("what fills the screen", () => {
  it("is drawn only while it does", async () => {
    const { user } = show(<FillScreen label="The bar, full screen">25 kg</FillScreen>);
    expect(screen.queryByText("25 kg")).toBeNull();
    await user.click(screen.getByRole("button", { name: "Full screen" }));
    const dialog = screen.getByRole<HTMLDialogElement>("dialog", { name: "The bar, full screen" });
    expect(within(dialog).getByText("25 kg")).toBeTruthy();
    dialog.close();
    fireEvent(dialog, new Event("close"));
    expect(screen.queryByText("25 kg")).toBeNull();
  });
});

describe("what a telephone folds away", () => {
  it("is opened by a button that says whether it is", async () => {
    const { user } = show(<FoldOnPhone label="More">rest</FoldOnPhone>);
    const button = screen.getByRole("button", { name: "More" });
    const part = document.getElementById(button.getAttribute("aria-controls")!)!;
    expect([button.getAttribute("aria-expanded"), part.className.includes("max-md:hidden")]).toEqual(["false", true]);
    await user.click(button);
    expect([button.getAttribute("aria-expanded"), part.className.includes("max-md:hidden")]).toEqual(["true", false]);
  });
});

describe("the problems of a form", () => {
  const problems = (of: { path: string; message: string }[], message = "Not saved.") =>
    show(
      <FormProblems
        form={{ ...FRESH, status: "refused", message, problems: of }}
        isBeside={(path) => path === "mass"}
      />,
    );
  it("are said once each, without what stands beside its field or in the message", () => {
    const said = (path: string, message: string) => ({ path, message });
    problems([
      said("a", "One."),
      said("b", "One."),
      said("mass", "Two."),
      said("c", "Not saved."),
      said("d", "Three."),
    ]);
    expect(screen.getAllByRole("listitem").map(({ textContent }) => textContent)).toEqual(["One.", "Three."]);
  });
  it("are no empty list where there are none", () => {
    problems([]);
    expect(screen.queryByRole("alert")).toBeNull();
  });
});
