"use client";

import { lazy, Suspense, type ComponentType } from "react";

/**
 * A part whose script is fetched when it is drawn first: a form that few open costs the others nothing.
 *
 * @param load imports the module and hands out its component
 */
export function fetched<P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> {
  const Part = lazy(async () => ({ default: await load() }));
  return function Fetched(props: P) {
    return (
      <Suspense fallback={<p className="text-quiet min-h-40 text-sm">…</p>}>
        <Part {...props} />
      </Suspense>
    );
  };
}
