import { Slot, useRouter, useSegments } from 'expo-router';
import BookOpen from 'lucide-react-native/icons/book-open';
import ChartSpline from 'lucide-react-native/icons/chart-spline';
import FlaskConical from 'lucide-react-native/icons/flask-conical';
import Sprout from 'lucide-react-native/icons/sprout';
import Sun from 'lucide-react-native/icons/sun';
import { useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { unstable_createElement } from 'react-native-web';
import Svg, { Line, Path, Rect } from 'react-native-svg';
import { useSession } from '@/api/queries';
import { RequestFailure } from '@/api/request';
import { useFailureWords } from '@/api/useFailureWords';
import { SyncStrip } from '@/features/sync/SyncStrip';
import { useSync } from '@/api/sync/useSync';
import { Door, Failed, Loading, useWide, Words } from '@/ui';
import { PLACES, whereIs, type Place } from './places';
import { RouteBoundary } from './RouteBoundary';
import { VersionBar } from './VersionBar';

const ICONS: Record<Place, typeof Sun> = {
  today: Sun,
  lawns: Sprout,
  season: ChartSpline,
  mix: FlaskConical,
  guide: BookOpen,
};

function Rug() {
  return (
    <Svg width={44} height={44} viewBox="0 0 44 44" aria-hidden>
      {[8, 15, 22, 29, 36].map((x) => (
        <Line key={x} x1={x} x2={x} y1={2} y2={42} stroke="#F3ECDD" strokeWidth={2} />
      ))}
      <Rect x={4} y={7} width={36} height={30} fill="#8E2F22" />
      <Rect x={9} y={12} width={26} height={20} fill="none" stroke="#D9A21B" strokeWidth={3} />
      <Path d="M22 15l8 7-8 7-8-7z" fill="#FBF8F1" />
    </Svg>
  );
}

/** The first stop of the Tab key: past the places and the list, to the heading of the page. */
function SkipLink() {
  const { t } = useTranslation();
  return unstable_createElement('a', {
    href: '#main',
    className:
      'absolute left-2 top-2 z-20 -translate-y-20 rounded-xl bg-main px-4 py-3 font-body-bold text-on-main focus:translate-y-0',
    onClick: (event: { preventDefault: () => void }) => {
      // The address stays as it is: a fragment would be a step of the router's.
      event.preventDefault();
      document.querySelector<HTMLElement>('main h1')?.focus();
    },
    children: t('places.skip'),
  });
}

/** The five places: a bar at the bottom on a phone, a rail at the left when wide. */
export function PlacesLayout() {
  const { t } = useTranslation();
  const wide = useWide();
  const { place, fillsPhone } = whereIs(useSegments());
  const router = useRouter();
  const session = useSession();
  const words = useFailureWords();
  useSync(session.data);
  const ended = session.error instanceof RequestFailure && session.error.code === 'signed-out';
  useEffect(() => {
    // The address bar, not the router: the page must be the one the person was on.
    if (ended) router.replace(`/sign-in?next=${encodeURIComponent(window.location.pathname)}`);
  }, [ended, router]);
  const bar = PLACES.map((slug) => {
    const Icon = ICONS[slug];
    const chosen = slug === place;
    return (
      <Door
        key={slug}
        href={`/${slug}`}
        current={chosen ? 'page' : undefined}
        className={
          wide
            ? `min-h-[66px] w-[76px] items-center justify-center gap-1 rounded-xl ${chosen ? 'bg-[#1F5B4E]' : ''}`
            : 'min-h-[60px] min-w-0 flex-1 items-center justify-center gap-0.5'
        }
      >
        <View aria-hidden>
          <Icon
            size={26}
            strokeWidth={2.2}
            color={wide ? '#FBF8F1' : chosen ? 'var(--good)' : 'var(--quiet)'}
          />
        </View>
        <Words
          size="place"
          weight={chosen ? 'bold' : 'semi'}
          tone={wide ? 'on-sheet' : chosen ? 'good' : 'quiet'}
        >
          {t(`places.${slug}`)}
        </Words>
      </Door>
    );
  });
  // The place stays mounted whatever the session says: a layout without it would send the router,
  // and with it the address bar, back to its first page.
  const content = (
    <>
      {(session.isPending && !session.data) || ended ? (
        <Loading />
      ) : session.error && !session.data ? (
        <View className="p-4">
          <Failed message={words(session.error)} onRetry={() => void session.refetch()} />
        </View>
      ) : null}
      <VersionBar />
      {session.data && !ended ? <SyncStrip /> : null}
      <View className={session.data && !ended ? 'min-h-0 flex-1' : 'hidden'}>
        <RouteBoundary>
          <Slot />
        </RouteBoundary>
      </View>
    </>
  );
  return wide ? (
    <View className="flex-1 flex-row bg-ground">
      <SkipLink />
      <View
        role="navigation"
        aria-label={t('places.label')}
        className="items-center gap-2 bg-sheet px-2 py-5"
      >
        <View className="pb-2">
          <Rug />
        </View>
        {bar}
      </View>
      <View className="min-w-0 flex-1">{content}</View>
    </View>
  ) : (
    <View className="flex-1 bg-ground">
      <SkipLink />
      <View className="min-h-0 flex-1">{content}</View>
      {fillsPhone ? null : (
        <View
          role="navigation"
          aria-label={t('places.label')}
          className="flex-row border-t-2 border-line bg-panel pb-1"
        >
          {bar}
        </View>
      )}
    </View>
  );
}
