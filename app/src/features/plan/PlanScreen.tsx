import {
  LINE_KINDS,
  zoneSchema,
  type Lawn,
  type MeasureMethod,
  type Pin,
  type PlanLine,
  type Point,
  type Zone,
} from '@alfombra/core';
import { zoneAt } from '@alfombra/core/drawing';
import { crossesItself, zoneOverlaps } from '@alfombra/core/measuring';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { useStore } from 'zustand';
import { useCompany, useLawn, usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { useWalkStore } from '@/state/walkStore';
import { keptFrom, movedDraft } from '@/state/draftStore';
import { usePlanStore, type Plan } from '@/state/planStore';
import { Button, Chip, Failed, Loading, Screen, Segmented, Title, useWide, Words } from '@/ui';
import { ExchangePanel } from './ExchangePanel';
import { NewShape } from './NewShape';
import { NorthCard } from './NorthCard';
import { PlanCanvas, type PlanCanvasProps } from './PlanCanvas';
import { moveMark } from './planMarks';
import { tapeKey } from './tapeDraft';
import { newWeedPatchKey, type NewWeedPatch } from './weedPatchDraft';
import { WeedPatchSheet } from './WeedPatchSheet';
import { usePlanUnits } from './usePlanUnits';
import { SiteTool } from './SiteTool';
import { WeedList } from './WeedList';
import { ZonePanel } from './ZonePanel';

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

/** The lawn measured and drawn: zones, what stands on them, weeds. */
export function PlanScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const lawn = useLawn(lawnId).data;
  const today = useCompany().data?.today;
  const { plan, open, lawnId: openId } = usePlanStore();
  useEffect(() => {
    if (!lawn) return;
    const { touched, lawnId: drawn } = usePlanStore.getState();
    open(lawn);
    if (!touched || drawn !== lawn.id) usePlanStore.temporal.getState().clear();
  }, [lawn, open]);
  if (!lawn || !today || !plan || openId !== lawnId) {
    return (
      <Screen title={t('plan.title')} back={`/lawns/${lawnId}`}>
        <Loading />
      </Screen>
    );
  }
  return <Editor lawn={lawn} plan={plan} today={today} words={words} />;
}

function Editor({
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
  const units = usePlanUnits();
  const { change, finish, from, sketch, setSketch, line, setLine, mark, setMark } = usePlanStore();
  const { undo, redo, pastSteps, nextSteps } = useSteps();
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
  // A patch that is half described is there again after a reload.
  const [patch, setPatch] = useState<NewWeedPatch | null>(
    () => keptFrom<NewWeedPatch>(newWeedPatchKey(`plan:${lawn.id}`)) ?? null,
  );
  const [said, setSaid] = useState<string | null>(null);
  const zone = plan.zones.find(({ id }) => id === zoneId) ?? plan.zones[0] ?? null;
  const setZone = (next: Zone) =>
    change({ zones: plan.zones.map((entry) => (entry.id === next.id ? next : entry)) });
  const overlaps = zoneOverlaps(plan.zones);
  const crossed = plan.zones.filter(({ outline }) => crossesItself(outline));
  const nameOf = (id: string) => plan.zones.find((entry) => entry.id === id)?.name ?? '';
  const isLine = isLineKind(mark);

  const addShape = (
    outline: Point[],
    method: MeasureMethod,
    cornerSigmaFt: number | null = null,
  ) => {
    if (adding === 'cutout' && zone) {
      const middle = centreOf(zone.outline);
      const own = centreOf(outline);
      const placed = sketch
        ? outline
        : outline.map(({ x, y }) => ({ x: x - own.x + middle.x, y: y - own.y + middle.y }));
      setZone({ ...zone, cutouts: [...zone.cutouts, placed] });
    } else {
      const right = Math.max(0, ...plan.zones.flatMap((entry) => entry.outline.map(({ x }) => x)));
      const placed =
        sketch || plan.zones.length === 0
          ? outline
          : outline.map(({ x, y }) => ({ x: x + right + 4, y }));
      const fresh = zoneSchema.parse({
        id: uuid(),
        name: t('plan.zoneName', { number: plan.zones.length + 1 }),
        outline: placed,
        edges: placed.map(() => (method === 'sketch' ? 'assumed' : 'confirmed')),
        measure: { method, cornerSigmaFt },
        stand: [],
        desired: [],
        site: {},
      });
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
      const ground = { zoneId: touched.id, centre: place };
      setPatch(
        movedDraft<object, NewWeedPatch>(newWeedPatchKey(`plan:${lawn.id}`), {
          from: ground,
        }) ?? {
          id: uuid(),
          zoneId: touched.id,
          plant: null,
          centre: place,
          // Nobody has said how large it is yet.
          lengthFt: Number.NaN,
          widthFt: Number.NaN,
          cover: Number.NaN,
          stage: '2-4-tiller',
          seenOn: today,
          lookAgainOn: null,
          asked: null,
        },
      );
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
      <View className="flex-row gap-2">
        <View className="flex-1">
          <Button
            kind="plain"
            label={t('plan.undo')}
            onPress={() => undo()}
            disabled={pastSteps === 0}
            testID="undo"
          />
        </View>
        <View className="flex-1">
          <Button
            kind="plain"
            label={t('plan.redo')}
            onPress={() => redo()}
            disabled={nextSteps === 0}
            testID="redo"
          />
        </View>
      </View>
      {said ? (
        <Words weight="semi" tone="caution" role="status">
          {said}
        </Words>
      ) : null}
      {overlaps.map(({ a, b, areaFt2 }) => (
        <Words key={`${a}${b}`} weight="semi" tone="stop" role="alert">
          {t('plan.overlap', {
            a: nameOf(a),
            b: nameOf(b),
            area: `${units.area(areaFt2)} ${units.areaUnit}`,
          })}
        </Words>
      ))}
      {crossed.map(({ id, name }) => (
        <Words key={id} weight="semi" tone="stop" role="alert">
          {t('plan.crossed', { zone: name })}
        </Words>
      ))}
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
          <>
            <NorthCard plan={plan} onChange={(northDeg) => change({ northDeg })} />
            <View className="flex-row flex-wrap gap-2">
              {plan.zones.map((entry) => (
                <Chip
                  key={entry.id}
                  label={entry.name}
                  chosen={entry.id === zone?.id && !adding}
                  onPress={() => {
                    setZoneId(entry.id);
                    setEdge(null);
                    setAdding(null);
                  }}
                />
              ))}
              <Chip
                label={t('plan.newZone')}
                chosen={adding === 'zone'}
                onPress={() => setAdding(adding === 'zone' ? null : 'zone')}
              />
            </View>
            {adding || !zone ? (
              <NewShape
                lawnId={lawn.id}
                what={adding ?? 'zone'}
                sketch={sketch}
                onSketch={setSketch}
                onShape={addShape}
              />
            ) : (
              <ZonePanel
                zone={zone}
                edge={edge}
                onEdge={setEdge}
                onChange={setZone}
                onCutout={() => setAdding('cutout')}
                onRemove={() => {
                  change({
                    zones: plan.zones.filter(({ id }) => id !== zone.id),
                    weedPatches: plan.weedPatches.filter((entry) => entry.zoneId !== zone.id),
                  });
                  setZoneId(null);
                }}
                removable={!lawn.patches.some((entry) => entry.zoneId === zone.id)}
              />
            )}
          </>
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

function useSteps() {
  const steps = useStore(usePlanStore.temporal);
  return {
    undo: steps.undo,
    redo: steps.redo,
    // Opening the plan is no step to go back over.
    pastSteps: steps.pastStates.filter(({ plan }) => plan !== null).length,
    nextSteps: steps.futureStates.length,
  };
}

const centreOf = (outline: readonly Point[]): Point => ({
  x: outline.reduce((sum, { x }) => sum + x, 0) / outline.length,
  y: outline.reduce((sum, { y }) => sum + y, 0) / outline.length,
});
