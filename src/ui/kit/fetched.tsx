"use client";

import { lazy, Suspense, useSyncExternalStore, type ComponentType, type ReactNode } from "react";

const never = () => () => undefined;

/** False on the server and while the page wakes up, true from then on. */
const useIsAwake = () =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

/** Shown where the script of a part does not come: the rest of the page goes on working. */
const NotFetched = () => (
  <p role="alert" className="text-error text-sm">
    This part could not be fetched. Reload the page when you are connected again.
  </p>
);

const lazily = <P extends object>(load: () => Promise<ComponentType<P>>) =>
  lazy(async () => ({ default: await load().catch((): ComponentType<P> => NotFetched) }));

/**
 * A part whose script is fetched when it is drawn first: a form that few open costs the others nothing.
 *
 * @param load imports the module and hands out its component
 */
export function fetched<P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> {
  const Part = lazily(load);
  return function Fetched(props: P) {
    return (
      <Suspense fallback={<p className="text-quiet min-h-40 text-sm">…</p>}>
        <Part {...props} />
      </Suspense>
    );
  };
}

/**
 * A part that is drawn in the browser once the page stands there, like a chart: its script does not hold back what is
 * read first, and the server does not draw what is drawn anew at the width of the screen.
 *
 * @param load imports the module and hands out its component
 * @param room classes of a box as high as the part, which keeps its place free so that nothing moves
 */
export function drawnLater<P extends object>(load: () => Promise<ComponentType<P>>, room: string): ComponentType<P> {
  const Part = lazily(load);
  return function DrawnLater(props: P): ReactNode {
    const box = <div className={room} />;
    return useIsAwake() ? (
      <Suspense fallback={box}>
        <Part {...props} />
      </Suspense>
    ) : (
      box
    );
  };
}
