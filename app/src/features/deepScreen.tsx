import { lazy, Suspense, type ComponentType } from 'react';
import { Loading } from '@/ui';

type DeepScreens = typeof import('./deepScreens');
type PropsOf<Screen> = Screen extends ComponentType<infer Props extends object> ? Props : never;

/**
 * A screen of `deepScreens` by name, fetched with its whole chunk when first drawn. A function, not the
 * lazy component itself: the router loads routes lazily and cannot resolve one lazy thing to another.
 */
export function deepScreen<Name extends keyof DeepScreens>(name: Name) {
  type Props = PropsOf<DeepScreens[Name]>;
  const Later = lazy(async () => ({
    default: (await import('./deepScreens'))[name] as unknown as ComponentType<object>,
  }));
  return function DeepScreen(props: Props) {
    return (
      <Suspense fallback={<Loading />}>
        <Later {...props} />
      </Suspense>
    );
  };
}
