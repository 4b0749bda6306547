import { addDays, daysBetween, jobsOf } from '@alfombra/core';
import { testQuestion } from '@/testdata/testQuestion';
import { SeasonSessions, tryDay, tryDays } from './seasonSession';
import { seasonView } from './seasonView';

const question = testQuestion();
const sessions = new SeasonSessions();
const view = sessions.open(question);
const session = () => sessions.of(sessions.open(question).session!);
const job = jobsOf(view.season.steps).find(({ lines }) => lines[0]!.kind === 'prevent')!;
const { opens, best, closes } = job.lines[0]!.window;

it('works out what is worked out without it, also with soil that is kept', () => {
  const { session: _session, ...again } = new SeasonSessions().open(question);
  expect(again).toEqual(seasonView(question));
  const { session: second, ...kept } = sessions.open(question);
  expect(kept).toEqual(again);
  expect(second).not.toBe(view.session);
});

it('works the soil out again when other days were imported for the same day', () => {
  const warmer = {
    ...question,
    weather: {
      ...question.weather,
      days: question.weather.days.map((day) => ({
        ...day,
        tmaxF: day.tmaxF + 9,
        tminF: day.tminF + 9,
      })),
    },
  };
  const { session: _session, ...again } = sessions.open(warmer);
  expect(again).toEqual(seasonView(warmer));
  expect(again.soil).not.toEqual(view.soil);
});

it('says of a job on each day around its own what the judge says, and of its own day nothing worse', () => {
  const days = tryDays(session(), job.id);
  const dates = Object.keys(days).sort();
  expect(dates[0]! >= question.company.today).toBe(true);
  expect(daysBetween(best, dates.at(-1) as never)).toBe(75);
  expect(days[best]!.filter(({ severity }) => severity === 'exceeds')).toEqual([]);
  // Weeks after the weed is up a pre-emergent comes too late, and the judge says other words than on its day.
  expect(JSON.stringify(days[addDays(best, 75)])).not.toBe(JSON.stringify(days[best]));
});

it('lays the rest out around a job that is tried on a day, and leaves the season itself alone', () => {
  const before = JSON.stringify(session().season);
  const tried = tryDay(session(), job.id, closes);
  const knots = tried.threads.flatMap((thread) => thread.knots);
  expect(knots.some(({ kind, date }) => kind === 'prevent' && date === closes)).toBe(true);
  expect(tried.moved.every(({ from, to }) => from !== to)).toBe(true);
  expect(JSON.stringify(session().season)).toBe(before);
  expect(tryDay(session(), job.id, best).moved).toEqual([]);
  expect(opens <= best).toBe(true);
});

it('knows the last two seasons, and says so of one that it has forgotten', () => {
  const few = new SeasonSessions();
  const [first, second] = [few.open(question), few.open(question)];
  expect(few.of(first.session!).season.steps.length).toBeGreaterThan(0);
  few.open(question);
  expect(() => few.of(first.session!)).toThrow('no longer known');
  expect(few.of(second.session!).season.steps.length).toBeGreaterThan(0);
  expect(() => tryDays(few.of(second.session!), 'nothing')).toThrow('no job nothing');
});
