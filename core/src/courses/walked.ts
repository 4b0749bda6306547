import { killedOn } from './killCourse';
import { surviving } from './surviving';
import type { ZoneCase } from '../choice/zoneCase';
import { applicationRules } from '../knowledge';
import { efficacy, stageFactor } from '../knowledge/efficacy';
import { walkRules } from '../knowledge/programmes';
import type { WeedFinding } from '../needs/seasonInput';
import { activesOf, materialRatePerAcre, type Application } from '../rates';
import { addDays, localDate, yearOf, type LocalDate } from '../units';

/** A walk on record that was against a weed, whoever made it and whatever was in the tank. */
export interface Walked {
  id: string;
  date: LocalDate;
  /** Share of the weed that it is expected to have killed, 0-1. */
  control: number;
  /** It did enough of its work to count as one of the weed's walks. */
  counts: boolean;
  /** Day on which its result shows. */
  resultOn: LocalDate;
  /** It killed all that stood in the zone. */
  total: boolean;
  /** Actives that were in it. */
  actives: string[];
}

/** Ground that a walk against a weed has to cover: its spots, or the zone where weeds are all over it. */
export function groundOf(zoneCase: ZoneCase, finding: WeedFinding): number {
  const growing = zoneCase.weeds.filter((other) => other.growing);
  const cover = growing.reduce((sum, other) => sum + other.cover, 0);
  const share =
    cover < applicationRules.spotBelowCover ? finding.cover * applicationRules.spotFactor : 1;
  return Math.max(1, zoneCase.areaFt2 * Math.min(1, share));
}

/** What a record did to a weed; `null` where it was not against it. */
function walkedBy(
  record: Application,
  zoneCase: ZoneCase,
  finding: WeedFinding,
  work: string,
  killed: ReadonlySet<LocalDate>,
): Walked | null {
  const { shelf } = zoneCase;
  const sprays = record.materials.flatMap((material) => {
    const product = material.kind === 'herbicide' ? shelf.herbicide(material.slug) : undefined;
    if (!product) return [];
    const efficacyPct =
      efficacy('post', finding.weed, product.slug) *
      (finding.stage ? stageFactor(finding.weed, finding.stage, product.slug) : 1);
    return [{ product, ratePerAcre: materialRatePerAcre(material, record.areaFt2), efficacyPct }];
  });
  const named = record.stepId?.startsWith(work) ?? false;
  const best = Math.max(0, ...sprays.map(({ efficacyPct }) => efficacyPct));
  if (!named && best < applicationRules.usefulEfficacy) return null;
  // Half the ground is half the work.
  const share =
    (record.effect ?? 1) * Math.min(1, record.areaFt2 / (groundOf(zoneCase, finding) * 0.999));
  const survive = surviving(sprays, share);
  const days = Math.max(
    walkRules.leastResultDays,
    ...(sprays.length > 0
      ? sprays.map(({ product }) => product.daysToDead?.[1] ?? walkRules.usualResultDays)
      : [walkRules.usualResultDays]),
  );
  const date = localDate(record.date);
  return {
    id: record.id,
    date,
    control: 1 - survive,
    counts: share >= walkRules.leastEffect,
    resultOn: addDays(date, days),
    total: killed.has(date),
    actives: sprays.flatMap(({ product }) => activesOf(product)),
  };
}

/**
 * Walks on record against a weed of a zone, the earliest first: from the day on which it was first seen, and what
 * was still at work on that day.
 * @param need id of the need that it is
 */
export function walkedAgainst(zoneCase: ZoneCase, finding: WeedFinding, need: string): Walked[] {
  const since = finding.since ?? localDate(`${yearOf(zoneCase.input.today)}-01-01`);
  const killed = new Set(killedOn(zoneCase));
  return zoneCase.records
    .flatMap((record) => walkedBy(record, zoneCase, finding, `${need}/`, killed) ?? [])
    .filter(({ date, resultOn }) => date >= since || resultOn > since)
    .sort((a, b) => (a.date < b.date ? -1 : 1));
}
