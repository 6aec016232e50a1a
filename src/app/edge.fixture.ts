import type { Context } from "@/server/access";

/** Who asks in a test of routes and actions; set it before each call. What Next does around them is mocked by the test. */
export const edge: { context: Context | null; fails: unknown; revalidated: number } = {
  context: null,
  fails: null,
  revalidated: 0,
};

/** What stands in for the edge: the context that the test set, or the failure. */
export async function contextOfTest(): Promise<Context> {
  if (edge.fails) throw edge.fails;
  if (!edge.context) throw new Error("the test set no context");
  return edge.context;
}

/** Where an action led to; redirects of Next are thrown. */
export class Redirected extends Error {
  constructor(readonly to: string) {
    super(`redirected to ${to}`);
  }
}

/** A form as a browser sends it. */
export function form(fields: Record<string, string | readonly string[] | File>): FormData {
  const data = new FormData();
  for (const [name, value] of Object.entries(fields))
    if (typeof value === "string") data.set(name, value);
    else if (value instanceof File) data.set(name, value);
    else for (const one of value) data.append(name, one);
  return data;
}

/** What an action led to, or what it answered. */
export async function leads<T>(call: Promise<T>): Promise<T | { to: string }> {
  try {
    return await call;
  } catch (error) {
    if (error instanceof Redirected) return { to: error.to };
    throw error;
  }
}
