/*
 * Which components React drew anew, by name: it tells whoever has put a hook into the window before it was loaded. A component that
 * was gone through and had nothing new to do isn't counted.
 */

interface Fiber {
  readonly type: unknown;
  readonly tag: number;
  readonly flags: number;
  readonly alternate: Fiber | null;
  readonly child: Fiber | null;
  readonly sibling: Fiber | null;
  readonly memoizedProps: unknown;
  readonly memoizedState: unknown;
  readonly ref: unknown;
}

/** React's mark of a component that ran. */
const PERFORMED_WORK = 1;
const counts = new Map<string, number>();

const nameOf = (type: unknown): string => {
  const of = type as {
    displayName?: string;
    name?: string;
    type?: unknown;
    render?: { name?: string };
  } | null;
  return of?.displayName || of?.name || of?.render?.name || (of?.type ? nameOf(of.type) : '');
};

/** Fibers that were not touched are shared with the tree before, and nothing below them ran. */
function walk(fiber: Fiber | null, before: Fiber | null): void {
  for (let each = fiber; each; each = each.sibling) {
    const was = each.alternate;
    if (typeof each.type === 'function' || typeof each.type === 'object') {
      const ran = (each.flags & PERFORMED_WORK) !== 0 && (was === null || was !== each);
      const same =
        was !== null &&
        was.memoizedProps === each.memoizedProps &&
        was.memoizedState === each.memoizedState &&
        was.ref === each.ref;
      if (ran && !same) counts.set(nameOf(each.type), (counts.get(nameOf(each.type)) ?? 0) + 1);
    }
    if (!was || was.child !== each.child) walk(each.child, before);
  }
}

(globalThis as { __REACT_DEVTOOLS_GLOBAL_HOOK__?: unknown }).__REACT_DEVTOOLS_GLOBAL_HOOK__ = {
  isDisabled: false,
  supportsFiber: true,
  renderers: new Map(),
  inject: () => 1,
  onCommitFiberUnmount: () => undefined,
  onPostCommitFiberRoot: () => undefined,
  onCommitFiberRoot: (_: number, root: { current: Fiber }) => walk(root.current, null),
};

/** What was drawn anew since it was asked last. */
export function rendered(): ReadonlyMap<string, number> {
  const seen = new Map(counts);
  counts.clear();
  return seen;
}
