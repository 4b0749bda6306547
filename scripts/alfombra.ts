/**
 * The core on the command line: JSON in on stdin, JSON out on stdout.
 *
 *   npm run --silent alfombra -- <diagnose|soil|season|amounts|check> < input.json
 *   (`amounts` takes a mix, or a lawn with one of its zones: then its whole rate card)
 *   npm run --silent alfombra -- schema <command>
 *
 * Exit 0 with the result, 2 with a pointed message on stderr when the input is not good.
 */
import { readFileSync } from 'node:fs';
import {
  mainGrass,
  mixCard,
  shelfOf,
  perAcre,
  SQUARE_FEET_PER_ACRE,
  toPer1000,
  toPerAcre,
  withDrawn,
  per1000,
  zoneArea,
  zoneBias,
  zonesAsCounted,
  zoneSoil,
  type LocalDate,
} from '@alfombra/core';
import { diagnose } from '@alfombra/core/walking';
import { checkApplication, type CheckContext } from '@alfombra/core/judging';
import {
  judgePins,
  lawnSeasonInput,
  lookAhead,
  movesBetween,
  planOf,
  rateCard,
  zoneCaseOf,
  type Plan,
} from '@alfombra/core/planning';
import {
  applicationsOfRecord,
  commandSchemas,
  type CommandName,
  type LawnQuestion,
} from '@alfombra/core/service';
import { z } from 'zod';

/** What is asked for by name; `zoneAmounts` is the other form of `amounts`. */
const NAMES = (Object.keys(commandSchemas) as CommandName[]).filter(
  (name) => name !== 'zoneAmounts',
);
const usage = `usage: alfombra <${NAMES.join('|')}|schema> (JSON on stdin)`;

class BadInput extends Error {}

function readJson(): unknown {
  const text = readFileSync(0, 'utf8');
  if (text.trim() === '') throw new BadInput('no JSON on stdin');
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    throw new BadInput(`stdin is not JSON: ${(error as Error).message}`);
  }
}

/** Parts of a lawn's question that are about one zone each. */
const OF_A_ZONE = [
  'findings',
  'patches',
  'counts',
  'property',
  'readings',
  'history',
  'soilReports',
] as const;

/** @throws BadInput where something is said of a zone that the lawn does not have: it would be read by nothing */
function checkZones(question: LawnQuestion): void {
  const known = new Set<string>(question.zones.map(({ id }) => id));
  for (const part of OF_A_ZONE) {
    question[part].forEach(({ zoneId }, index) => {
      if (!known.has(zoneId)) {
        throw new BadInput(`${part}.${index}.zoneId: the lawn has no such zone`);
      }
    });
  }
}

/** A lawn's question as the planner takes it. */
function partsOf(question: LawnQuestion) {
  checkZones(question);
  const { weather, readings, records, history, patches, counts, rules, ...request } = question;
  return [
    {
      ...request,
      zones: zonesAsCounted(request.zones, counts),
      findings: withDrawn(request.findings, request.zones, patches, counts),
      policy: rules ? { ...request.policy, ordinance: rules } : request.policy,
    },
    weather,
    readings,
    records.flatMap(applicationsOfRecord),
    new Map(history.map(({ zoneId, causes }) => [zoneId, causes])),
  ] as const;
}

/** What a lawn's question comes to, soil and all. */
const inputOf = (question: LawnQuestion) => lawnSeasonInput(...partsOf(question));

/** The plan of a question; a job that somebody set comes with what the judge says of it. */
const planFor = (question: LawnQuestion, until?: LocalDate): Plan => {
  const { input, season } = lookAhead(...partsOf(question), until);
  const plan = planOf(season, input, shelfOf(question.policy.labels));
  const judged = judgePins(input, season);
  return {
    ...plan,
    jobs: plan.jobs.map((job) =>
      job.pinned ? { ...job, findings: job.serves.flatMap((work) => judged.get(work) ?? []) } : job,
    ),
  };
};

const run: Record<CommandName, (input: unknown) => unknown> = {
  diagnose: (raw) => {
    const { nextChecks, ...rest } = diagnose(parse('diagnose', raw));
    return {
      ...rest,
      posterior: rest.posterior.map(({ cause, p }) => ({ cause, p })),
      nextChecks: nextChecks.map(({ sign, posture, gainBits, seconds }) => ({
        ...(posture === 'test' ? { test: sign } : { sign }),
        gainBits,
        seconds,
      })),
      verdict:
        rest.verdict === 'cannot-tell' || rest.verdict === 'split-zone' ? 'cannot-tell' : 'likely',
      verdictKind: rest.verdict,
    };
  },
  soil: (raw) => {
    const { weather, factors, readings, thresholds } = parse('soil', raw);
    const zone = { id: readings[0]?.zoneId ?? 'zone', factors };
    const season = zoneSoil(zone, weather, readings);
    return {
      start: season.start,
      today: season.today,
      measuredDays: season.measuredDays,
      bias: zoneBias(factors, weather, readings),
      meanF: season.meanF,
      lowF: season.lowF,
      highF: season.highF,
      crossings: thresholds.map(({ valueF, direction }) => ({
        thresholdF: valueF,
        direction,
        crossing: season.crossing(valueF, direction),
      })),
    };
  },
  season: (raw) => {
    const { rateCard: withCard, previous, until, ...question } = parse('season', raw);
    const input = inputOf(question);
    const whole = planFor(question, until);
    const told = ({ date }: { date: string }) => until === undefined || date <= until;
    const planned = { ...whole, jobs: whole.jobs.filter(told), looks: whole.looks.filter(told) };
    const season = previous
      ? {
          ...planned,
          // Of this year's work: what lies beyond it follows from it.
          moves: movesBetween(previous, question, (asked) => planFor(asked, asked.today)),
        }
      : planned;
    if (!withCard) return season;
    const cards = input.zones
      .filter((zone) => mainGrass(zone))
      .flatMap((zone) => rateCard(zoneCaseOf(input, zone)));
    return {
      ...season,
      rateCard: cards.flatMap(({ zoneId, rows }) =>
        rows.map(({ kind, slug, verdict, ratePerAcre, unit, rule }) => ({
          zoneId,
          kind,
          slug,
          verdict,
          ...(ratePerAcre === null ? {} : { ratePerAcre, unit }),
          rule,
        })),
      ),
    };
  },
  zoneAmounts: (raw) => {
    const { lawn, zoneId, date } = parse('zoneAmounts', raw);
    const zone = lawn.zones.find(({ id }) => id === zoneId);
    if (!zone) throw new BadInput('zoneId: the lawn has no such zone');
    const input = inputOf(lawn);
    const card = rateCard(zoneCaseOf(input, zone), date ?? input.today);
    const acres = zoneArea(zone) / SQUARE_FEET_PER_ACRE;
    return {
      ...card,
      areaFt2: zoneArea(zone),
      rows: card.rows.map((row) => ({
        ...row,
        total: row.ratePerAcre === null ? null : row.ratePerAcre * acres,
      })),
    };
  },
  amounts: (raw) => {
    if (typeof raw === 'object' && raw !== null && 'zoneId' in raw) return run.zoneAmounts(raw);
    const input = parse('amounts', raw);
    const products = input.products.map(({ herbicide, rate, unit }) => ({
      herbicide,
      ratePerAcre: unit.endsWith('/acre') ? rate : toPerAcre(per1000(rate)),
    }));
    return {
      ...mixCard({ ...input, products }, shelfOf(input.labels)),
      products: products.map(({ herbicide, ratePerAcre }) => ({
        herbicide,
        ratePerAcre,
        ratePer1000: toPer1000(perAcre(ratePerAcre)),
        total: (ratePerAcre * input.areaFt2) / 43_560,
      })),
    };
  },
  check: (raw) => {
    const { application, context } = parse('check', raw);
    const findings = checkApplication(application, context as CheckContext);
    return { exceeds: findings.some(({ severity }) => severity === 'exceeds'), findings };
  },
};

function parse<Name extends CommandName>(
  name: Name,
  raw: unknown,
): z.output<(typeof commandSchemas)[Name]> {
  const result = commandSchemas[name].safeParse(raw);
  if (!result.success) {
    throw new BadInput(
      result.error.issues
        .map(
          (issue) => `${issue.path.length > 0 ? issue.path.join('.') : 'input'}: ${issue.message}`,
        )
        .join('\n'),
    );
  }
  return result.data as z.output<(typeof commandSchemas)[Name]>;
}

const isName = (text: string | undefined): text is CommandName =>
  NAMES.some((name) => name === text);

function main([command, argument]: readonly string[]): unknown {
  if (command === 'schema') {
    if (!isName(argument)) throw new BadInput(`schema of what? one of ${NAMES.join(', ')}`);
    const schema =
      argument === 'amounts'
        ? z.union([commandSchemas.amounts, commandSchemas.zoneAmounts])
        : commandSchemas[argument];
    return z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' });
  }
  if (!isName(command)) throw new BadInput(usage);
  return run[command](readJson());
}

try {
  process.stdout.write(`${JSON.stringify(main(process.argv.slice(2)), null, 2)}\n`);
} catch (error) {
  if (!(error instanceof BadInput) && !(error instanceof RangeError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 2;
}
