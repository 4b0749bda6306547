import '@/workers/workerEnv';
import { takeAlongSchema, takenSchema, type TakeAlong, type Taken } from '@alfombra/core';
import { keepAnswers, keepTaken, keptTaken } from '../answerStore';
import { keys, type LawnPart } from '../keys';
import type { TakeAlongReply } from './takeAlong';

/** What is kept is fetched whole again before it grows too old to be worked on. */
const WHOLE_EVERY_MS = 20 * 24 * 3_600_000;

/** A server that says nothing any more is asked again later. */
const PATIENCE_MS = 180_000;

/** What the device has, as the address asks for it. */
async function question(person: string, now: number): Promise<URLSearchParams> {
  const kept = await keptTaken(person);
  const has = kept && now - kept.at < WHOLE_EVERY_MS ? takenSchema.safeParse(kept.taken) : null;
  return new URLSearchParams(has?.success ? (has.data as Record<string, string>) : {});
}

/** Every answer that a screen may ask for, from the one that came. */
function answersOf({ company, customers, weather, files }: TakeAlong) {
  return [
    ...(company ? [{ key: keys.company, data: company as unknown }] : []),
    ...(customers ? [{ key: keys.customers, data: customers as unknown }] : []),
    ...Object.entries(weather ?? {}).map(([id, data]) => ({ key: keys.weather(id), data })),
    ...files.flatMap(({ lawn, ...parts }) => [
      { key: keys.lawn(lawn.id), data: lawn as unknown },
      ...Object.entries(parts).map(([part, list]) => ({
        key: keys.ofLawn(lawn.id, part as LawnPart),
        data: list as unknown,
      })),
    ]),
  ];
}

async function takeAlong(person: string): Promise<TakeAlongReply> {
  const now = Date.now();
  const asked = await question(person, now);
  const answer = await fetch(`/api/take-along?${asked}`, {
    credentials: 'same-origin',
    headers: { 'alfombra-writer': person },
    signal: AbortSignal.timeout(PATIENCE_MS),
  });
  if (!answer.ok) return { ok: false };
  const all = takeAlongSchema.parse(await answer.json());
  const answers = answersOf(all);
  await keepAnswers(person, answers, now);
  const whole = [...asked.keys()].length === 0;
  // A part that was fetched before keeps the age of what was kept then.
  await keepTaken(
    person,
    all.taken satisfies Required<Taken>,
    whole ? now : ((await keptTaken(person))?.at ?? now),
  );
  return { ok: true, lawns: all.lawns, keys: answers.map(({ key }) => key) };
}

onmessage = ({ data: person }: MessageEvent<string>) => {
  void takeAlong(person)
    .catch((): TakeAlongReply => ({ ok: false }))
    .then((reply) => postMessage(reply));
};
