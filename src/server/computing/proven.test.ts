import { expect, it } from "vitest";
import { ProvenAnswers } from "./proven";

it("asks again until it is proven, and then no more; another question or task is another", async () => {
  const answers = new ProvenAnswers();
  let asked = 0;
  const ask = (question: unknown, isProven: boolean, task = "plan") =>
    answers.get(
      task,
      question,
      async () => ({ isProven, n: (asked += 1) }),
      (answer) => answer.isProven,
    );
  expect((await ask({ a: 1 }, false)).n).toBe(1);
  expect((await ask({ a: 1 }, true)).n).toBe(2);
  expect((await ask({ a: 1 }, false)).n).toBe(2);
  expect((await ask({ a: 2 }, true)).n).toBe(3);
  expect((await ask({ a: 1 }, true, "order")).n).toBe(4);
  await expect(
    answers.get(
      "plan",
      "x",
      () => Promise.reject(new Error("late")),
      () => true,
    ),
  ).rejects.toThrow("late");
  expect((await ask("x", true)).n).toBe(5);
});

it("forgets those that were asked longest ago, of more than it keeps", async () => {
  const answers = new ProvenAnswers();
  const ask = (question: number, n: number) =>
    answers.get(
      "plan",
      question,
      async () => ({ n }),
      () => true,
    );
  for (let i = 0; i < 300; i += 1) await ask(i, i);
  expect((await ask(0, -1)).n).toBe(0);
  await ask(300, 300);
  expect((await ask(0, -1)).n).toBe(0);
  expect((await ask(1, -1)).n).toBe(-1);
});
