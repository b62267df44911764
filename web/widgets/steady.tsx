import equal from 'fast-deep-equal';
import { type ComponentType, memo, useRef } from 'react';

type Handler = (...given: never[]) => unknown;

/**
 * A part that is drawn again only when what it shows changes: things are compared by content, and its handlers stay the
 * same while they call whatever was given last. For fields, which are dear to draw and get new handlers with every change
 * around them.
 */
export function steady<P extends object>(Part: ComponentType<P>): (props: P) => React.ReactNode {
  const Kept = memo(Part, equal) as unknown as ComponentType<P>;
  return function Steady(props: P) {
    const latest = useRef(props);
    latest.current = props;
    const handlers = useRef(new Map<string, Handler>());
    const passed = Object.fromEntries(
      Object.entries(props).map(([name, value]) => {
        if (typeof value !== 'function') return [name, value];
        const known = handlers.current.get(name);
        if (known) return [name, known];
        const handler: Handler = (...given) => (latest.current as Record<string, Handler>)[name]?.(...given);
        handlers.current.set(name, handler);
        return [name, handler];
      }),
    ) as P;
    return <Kept {...passed} />;
  };
}
