import { Slot, usePathname, useRouter } from 'expo-router';
import BookOpen from 'lucide-react-native/icons/book-open';
import ChartSpline from 'lucide-react-native/icons/chart-spline';
import FlaskConical from 'lucide-react-native/icons/flask-conical';
import Sprout from 'lucide-react-native/icons/sprout';
import Sun from 'lucide-react-native/icons/sun';
import { useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import Svg, { Line, Path, Rect } from 'react-native-svg';
import { useSession } from '@/api/queries';
import { RequestFailure } from '@/api/request';
import { useFailureWords } from '@/api/useFailureWords';
import { SyncStrip } from '@/features/sync/SyncStrip';
import { useSync } from '@/state/sync/useSync';
import { Failed, Loading, useWide, Words } from '@/ui';

const PLACES = [
  { slug: 'today', Icon: Sun },
  { slug: 'lawns', Icon: Sprout },
  { slug: 'season', Icon: ChartSpline },
  { slug: 'mix', Icon: FlaskConical },
  { slug: 'guide', Icon: BookOpen },
] as const;

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

/** The five places: a bar at the bottom on a phone, a rail at the left when wide. */
export function PlacesLayout() {
  const { t } = useTranslation();
  const wide = useWide();
  const path = usePathname();
  const router = useRouter();
  const session = useSession();
  const words = useFailureWords();
  useSync(session.data);
  const ended = session.error instanceof RequestFailure && session.error.code === 'signed-out';
  useEffect(() => {
    // The address bar, not the router: the page must be the one the person was on.
    if (ended) router.replace(`/sign-in?next=${encodeURIComponent(window.location.pathname)}`);
  }, [ended, router]);
  // A walk fills the phone: its verdict strip stands where the bar would be.
  const walking =
    !wide &&
    /\/(walk|decide|mix\/|record\/|plan|zone\/|visit|report|property|new$|import$)/.test(path);
  const bar = PLACES.map(({ slug, Icon }) => {
    const chosen = path.startsWith(`/${slug}`);
    return (
      <Pressable
        key={slug}
        role="link"
        aria-label={t(`places.${slug}`)}
        aria-current={chosen ? 'page' : undefined}
        onPress={() => router.push(`/${slug}`)}
        className={
          wide
            ? `min-h-[66px] w-[76px] items-center justify-center gap-1 rounded-xl ${chosen ? 'bg-[#2F7F6D]' : ''}`
            : 'min-h-[60px] flex-1 items-center justify-center gap-0.5'
        }
      >
        <Icon
          size={26}
          strokeWidth={2.2}
          color={wide ? '#FBF8F1' : chosen ? 'var(--good)' : 'var(--quiet)'}
        />
        <Words
          size="note"
          weight={chosen ? 'bold' : 'semi'}
          tone={wide ? 'on-sheet' : chosen ? 'good' : 'quiet'}
        >
          {t(`places.${slug}`)}
        </Words>
      </Pressable>
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
      {session.data && !ended ? <SyncStrip /> : null}
      <View className={session.data && !ended ? 'min-h-0 flex-1' : 'hidden'}>
        <Slot />
      </View>
    </>
  );
  return wide ? (
    <View className="flex-1 flex-row bg-ground">
      <View role="navigation" className="items-center gap-2 bg-sheet px-2 py-5">
        <View className="pb-2">
          <Rug />
        </View>
        {bar}
      </View>
      <View className="min-w-0 flex-1">{content}</View>
    </View>
  ) : (
    <View className="flex-1 bg-ground">
      <View className="min-h-0 flex-1">{content}</View>
      {walking ? null : (
        <View role="navigation" className="flex-row border-t-2 border-line bg-panel pb-1">
          {bar}
        </View>
      )}
    </View>
  );
}
