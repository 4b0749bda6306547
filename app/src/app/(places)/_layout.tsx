import { lazy, Suspense } from 'react';

// The router loads every layout at its start, to read its settings: what they draw comes when it is drawn.
const PlacesLayout = lazy(async () => ({
  default: (await import('@/features/session/PlacesLayout')).PlacesLayout,
}));

export default function Layout() {
  return (
    <Suspense fallback={null}>
      <PlacesLayout />
    </Suspense>
  );
}
