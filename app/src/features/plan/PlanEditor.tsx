import {
  LINE_KINDS,
  type Lawn,
  type MeasureMethod,
  type Pin,
  type PlanLine,
  type Point,
  type Zone,
} from '@alfombra/core';
import { zoneAt } from '@alfombra/core/drawing';
import { crossesItself } from '@alfombra/core/measuring';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { useCompany, usePutLawn } from '@/api/queries';
import { useWalkStore } from '@/state/walkStore';
import { keptFrom } from '@/state/draftStore';
import { usePlanStore, type Plan } from '@/state/planStore';
import { Button, Failed, Screen, Segmented, Title, useWide } from '@/ui';
import { ExchangePanel } from './ExchangePanel';
import { ShapeTool } from './ShapeTool';
import { newZone, withCutout } from './newZone';
import { PlanCanvas, type PlanCanvasProps } from './PlanCanvas';
import { moveMark } from './planMarks';
import { tapeKey } from './tapeDraft';
import { useDrawnPatch } from './useDrawnPatch';
import { newWeedPatchKey } from './weedPatchDraft';
import { WeedPatchSheet } from './WeedPatchSheet';
import { PlanUnder } from './PlanUnder';
import { SiteTool } from './SiteTool';
import { WeedList } from './WeedList';

type Tool = 'shape' | 'site' | 'weeds' | 'file';
const TOOLS: readonly Tool[] = ['shape', 'site', 'weeds', 'file'];
/** What each tool takes hold of. */
const DRAGGED: Readonly<Record<Tool, PlanCanvasProps['drag']>> = {
  shape: ['corner'],
  site: ['pin', 'line'],
  weeds: ['patch'],
  file: [],
};

const isLineKind = (mark: string) => (LINE_KINDS as readonly string[]).includes(mark);

/** The plan to draw on, with the tools beside or under it. */
export function PlanEditor({
  lawn,
  plan,
  today,
  words,
}: {
  lawn: Lawn;
  plan: Plan;
  today: NonNullable<ReturnType<typeof useCompany>['data']>['today'];
  words: (error: unknown) => string;
}) {
  const { t } = useTranslation();
  const router = useRouter();
  const wide = useWide();
  const { change, finish, from, sketch, setSketch, line, setLine, mark, setMark } = usePlanStore();
  const putLawn = usePutLawn(lawn.id);
  // On a visit the plan is one spoke of it.
  const visiting = useWalkStore((state) => state.visits[lawn.id]?.day === today);
  const [tool, setTool] = useState<Tool>(() =>
    line.length > 0 ? 'site' : keptFrom(newWeedPatchKey(`plan:${lawn.id}`)) ? 'weeds' : 'shape',
  );
  const [zoneId, setZoneId] = useState<string | null>(plan.zones[0]?.id ?? null);
  const [edge, setEdge] = useState<number | null>(null);
  const [adding, setAdding] = useState<'zone' | 'cutout' | null>(() =>
    sketch
      ? 'zone'
      : ((['zone', 'cutout'] as const).find((what) =>
          (['tape', 'pace'] as const).some((way) => keptFrom(tapeKey(lawn.id, what, way))),
        ) ?? null),
  );
  const { patch, setPatch, press } = useDrawnPatch(lawn.id, today);
  const [said, setSaid] = useState<string | null>(null);
  const zone = plan.zones.find(({ id }) => id === zoneId) ?? plan.zones[0] ?? null;
  const setZone = (next: Zone) =>
    change({ zones: plan.zones.map((entry) => (entry.id === next.id ? next : entry)) });
  const crossed = plan.zones.filter(({ outline }) => crossesItself(outline));
  const nameOf = (id: string) => plan.zones.find((entry) => entry.id === id)?.name ?? '';
  const isLine = isLineKind(mark);

  const addShape = (
    outline: Point[],
    method: MeasureMethod,
    cornerSigmaFt: number | null = null,
  ) => {
    const shape = { outline, method, cornerSigmaFt, drawn: sketch !== null };
    if (adding === 'cutout' && zone) setZone(withCutout(zone, shape));
    else {
      const name = t('plan.zoneName', { number: plan.zones.length + 1 });
      const fresh = newZone(plan.zones, shape, name);
      change({ zones: [...plan.zones, fresh] });
      setZoneId(fresh.id);
    }
    setSketch(null);
    setAdding(null);
  };
  const tap = (at: Point) => {
    const place = { x: Math.round(at.x * 10) / 10, y: Math.round(at.y * 10) / 10 };
    if (sketch) setSketch([...sketch, place]);
    else if (tool === 'site' && isLine) setLine([...line, place]);
    else if (tool === 'site') {
      change({
        pins: [
          ...plan.pins,
          { id: uuid(), kind: mark as Pin['kind'], at: place, note: '', seenOn: today },
        ],
      });
    } else if (tool === 'weeds') {
      // The weed belongs to the ground that was touched, whatever zone another tool had chosen.
      const touched = zoneAt(plan.zones, place);
      if (!touched) return setSaid(t('plan.outside'));
      setSaid(null);
      press(touched.id, place);
    } else {
      const hit = zoneAt(plan.zones, at);
      if (hit) {
        setZoneId(hit.id);
        setEdge(null);
      }
    }
  };
  /** A line of two points or more goes onto the plan; a single point waits for its end. */
  const keepLine = () => {
    if (line.length < 2) return;
    change({
      lines: [
        ...plan.lines,
        { id: uuid(), kind: mark as PlanLine['kind'], points: line, note: '', seenOn: today },
      ],
    });
    setLine([]);
  };
  const save = () => {
    if (line.length === 1) return setSaid(t('plan.lineNeedsEnd'));
    if (sketch && sketch.length > 0) return setSaid(t('plan.closeFirst'));
    keepLine();
    const drawn = usePlanStore.getState().plan ?? plan;
    putLawn.mutate(from ? { from, lawn: { ...from, ...drawn } } : { ...lawn, ...drawn }, {
      onSuccess: () => {
        finish();
        router.replace(`/lawns/${lawn.id}${visiting ? '/visit' : ''}`);
      },
    });
  };
  const canvas = (
    <View className="gap-3">
      <PlanCanvas
        plan={plan}
        zoneId={zone?.id ?? null}
        edge={edge}
        sketch={sketch ?? (line.length > 0 ? line : null)}
        height={wide ? 470 : 300}
        drag={sketch ? [] : DRAGGED[tool]}
        onTap={tap}
        onEdge={setEdge}
        onCorner={(outline) => zone && setZone({ ...zone, outline })}
        onMark={(grip) => change(moveMark(plan, grip))}
      />
      <PlanUnder zones={plan.zones} said={said} />
    </View>
  );
  const tools = (
    <View className="gap-3">
      <Segmented
        value={tool}
        options={TOOLS.map((value) => ({ value, label: t(`plan.tool.${value}`) }))}
        onChange={(next) => {
          keepLine();
          setTool(next);
          setSketch(null);
          setSaid(null);
        }}
      >
        {tool === 'shape' ? (
          <ShapeTool
            lawn={lawn}
            plan={plan}
            zone={zone}
            edge={edge}
            adding={adding}
            sketch={sketch}
            onZone={(id) => {
              setZoneId(id);
              setEdge(null);
              setAdding(null);
            }}
            onEdge={setEdge}
            onAdding={setAdding}
            onSketch={setSketch}
            onShape={addShape}
            onChange={change}
          />
        ) : tool === 'site' ? (
          <SiteTool
            plan={plan}
            mark={mark}
            line={line}
            onMark={(kind) => {
              keepLine();
              if (!isLineKind(kind)) setLine([]);
              setMark(kind);
            }}
            onKeepLine={keepLine}
            onChange={change}
          />
        ) : tool === 'weeds' ? (
          <WeedList plan={plan} onOpen={setPatch} />
        ) : (
          <ExchangePanel lawn={lawn} plan={plan} onChange={change} />
        )}
      </Segmented>
    </View>
  );
  return (
    <Screen
      title={t('plan.title')}
      lead={lawn.name}
      subject={lawn.name}
      back={`/lawns/${lawn.id}`}
      footer={
        <>
          {putLawn.error ? (
            <Failed message={`${words(putLawn.error)} ${t('common.kept')}`} />
          ) : null}
          <Button
            label={t('plan.save')}
            onPress={save}
            disabled={crossed.length > 0}
            busy={putLawn.isPending ? t('common.loading') : null}
            testID="save-plan"
            wide
          />
        </>
      }
    >
      {plan.zones.length === 0 && !sketch ? <Title>{t('plan.empty')}</Title> : null}
      {wide ? (
        <View className="flex-row gap-4">
          <View className="flex-[3]">{canvas}</View>
          <View className="flex-[2]">{tools}</View>
        </View>
      ) : (
        <>
          {canvas}
          {tools}
        </>
      )}
      <WeedPatchSheet
        patch={patch}
        zone={nameOf(patch?.zoneId ?? '')}
        lawnId={lawn.id}
        draftKey={`plan:${lawn.id}`}
        onClose={() => setPatch(null)}
        onKeep={(kept) => {
          change({
            weedPatches: [...plan.weedPatches.filter(({ id }) => id !== kept.id), kept],
          });
          setPatch(null);
        }}
        onRemove={(gone) => {
          change({ weedPatches: plan.weedPatches.filter(({ id }) => id !== gone) });
          setPatch(null);
        }}
      />
    </Screen>
  );
}
