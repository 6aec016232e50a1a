// @vitest-environment jsdom
import "../dom.fixture";
import { act, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { testBar } from "@/core/bars/testBar.fixture";
import { drawBar } from "@/core/drawing/drawBar";
import { IdleWall } from "./IdleWall";

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

const pass = (seconds: number) => act(() => vi.advanceTimersByTime(seconds * 1000));

it("shows the wall once nobody touched it for a while, until somebody does", () => {
  render(<IdleWall bars={[{ tag: "T1", name: "Test", drawing: drawBar(testBar()) }]} afterSeconds={90} />);
  pass(60);
  fireEvent.pointerDown(window);
  pass(60);
  expect(screen.queryByRole("region", { name: "The wall" })).toBeNull();
  pass(31);
  expect(screen.getByRole("region", { name: "The wall" }).textContent).toContain("T1");
  fireEvent.keyDown(window, { key: "a" });
  expect(screen.queryByRole("region", { name: "The wall" })).toBeNull();
});

it("shows nothing where no bars hang", () => {
  render(<IdleWall bars={[]} afterSeconds={1} />);
  pass(5);
  expect(screen.queryByRole("region", { name: "The wall" })).toBeNull();
});
