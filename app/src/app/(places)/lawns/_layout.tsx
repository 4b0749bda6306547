import { lazy, Suspense } from 'react';

const LawnsLayout = lazy(async () => ({
  default: (await import('@/features/lawns/LawnsLayout')).LawnsLayout,
}));

export default function Layout() {
  return (
    <Suspense fallback={null}>
      <LawnsLayout />
    </Suspense>
  );
}
