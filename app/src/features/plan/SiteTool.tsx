import { LINE_KINDS, PIN_KINDS, type Pin, type PlanLine, type Point } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import type { Plan } from '@/state/planStore';
import { Button, Card, Words } from '@/ui';
import { PLAN_LOOK } from './drawing/planInk';
import { PinMark } from './drawing/PlanShapes';

const PICTURE_PX = 32;
type Mark = Pin['kind'] | PlanLine['kind'];
const isLine = (kind: Mark): kind is PlanLine['kind'] =>
  (LINE_KINDS as readonly string[]).includes(kind);

/** What can be noted on the ground, as it will look there, and what has been. */
export function SiteTool({
  plan,
  mark,
  line,
  onMark,
  onKeepLine,
  onChange,
}: {
  plan: Plan;
  mark: Mark;
  /** Points of a line that is being tapped in. */
  line: readonly Point[];
  onMark: (mark: Mark) => void;
  onKeepLine: () => void;
  onChange: (change: Partial<Plan>) => void;
}) {
  const { t } = useTranslation();
  return (
    <Card>
      <Words tone="second">{t(isLine(mark) ? 'plan.lineLead' : 'plan.pinLead')}</Words>
      {isLine(mark) && line.length > 0 ? (
        <Words weight="semi" role="status">
          {t('plan.linePoints', { count: line.length })}
        </Words>
      ) : null}
      {line.length > 1 ? <Button label={t('plan.keepLine')} onPress={onKeepLine} /> : null}
      <View className="flex-row flex-wrap gap-2" role="group" aria-label={t('plan.markLabel')}>
        {[...PIN_KINDS, ...LINE_KINDS].map((kind) => (
          <MarkButton key={kind} kind={kind} chosen={kind === mark} onPress={() => onMark(kind)} />
        ))}
      </View>
      {[...plan.pins, ...plan.lines].map((entry) => (
        <View key={entry.id} className="flex-row items-center gap-2">
          <Words className="flex-1">{t(`plan.mark.${entry.kind}`)}</Words>
          <Button
            kind="quiet"
            label={t('plan.takeAway')}
            onPress={() =>
              onChange({
                pins: plan.pins.filter(({ id }) => id !== entry.id),
                lines: plan.lines.filter(({ id }) => id !== entry.id),
              })
            }
          />
        </View>
      ))}
    </Card>
  );
}

function MarkButton({
  kind,
  chosen,
  onPress,
}: {
  kind: Mark;
  chosen: boolean;
  onPress: () => void;
}) {
  const { t } = useTranslation();
  return (
    <Pressable
      role="button"
      aria-pressed={chosen}
      onPress={onPress}
      className={`min-h-[56px] w-[48%] grow flex-row items-center gap-2 rounded-xl border-2 px-2 py-1 ${chosen ? 'border-main bg-good-tint' : 'border-line bg-raised'}`}
    >
      <Svg width={PICTURE_PX} height={PICTURE_PX} aria-hidden>
        {isLine(kind) ? (
          <LinePicture kind={kind} />
        ) : (
          <PinMark kind={kind} x={PICTURE_PX / 2} y={PICTURE_PX / 2} />
        )}
      </Svg>
      <Words weight="semi" className="min-w-0 flex-1">
        {t(`plan.mark.${kind}`)}
      </Words>
    </Pressable>
  );
}

const ROLE = {
  'traffic-route': 'line-traffic',
  'mow-line': 'line-mow',
  fence: 'line-fence',
} as const;

function LinePicture({ kind }: { kind: PlanLine['kind'] }) {
  const { stroke, width, dash } =
    PLAN_LOOK[kind in ROLE ? ROLE[kind as keyof typeof ROLE] : 'line-hard'];
  return (
    <Path d="M3 26L29 6" stroke={stroke} strokeWidth={width} strokeDasharray={dash} fill="none" />
  );
}
