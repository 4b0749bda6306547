import { jobsOf } from '@alfombra/core';
import { testQuestion } from '@/testdata/testQuestion';
import { answerSeason } from './answerSeason';
import { askDays, askSeason, askTrial, type Asked } from './askSeason';
import { SeasonSessions } from './seasonSession';

const asked: Asked[] = [];
/** The worker, in the page. */
class InPage {
  private readonly sessions = new SeasonSessions();
  onmessage: ((event: { data: unknown }) => void) | null = null;

  postMessage(message: { id: number; asked: Asked }) {
    asked.push(message.asked);
    const data = answerSeason(this.sessions, message);
    setTimeout(() => this.onmessage?.({ data }), 0);
  }
}
beforeAll(() => {
  globalThis.Worker = InPage as never;
});

const question = testQuestion();

it('works a season out again that the worker has let go of, once, and answers as before', async () => {
  const { session, season } = await askSeason(question);
  const shown = { question, session };
  const job = jobsOf(season.steps)[0]!;
  const before = await askDays(shown, job.id);
  // Two other lawns are looked at meanwhile.
  await askSeason(question);
  await askSeason(question);
  asked.length = 0;
  expect(await askDays(shown, job.id)).toEqual(before);
  const { best } = job.lines[0]!.window;
  expect((await askTrial(shown, job.id, best)).moved).toEqual([]);
  expect(asked.filter((one) => 'season' in one)).toHaveLength(1);
});

it('does not try again what fails for another reason', async () => {
  const { session } = await askSeason(question);
  asked.length = 0;
  await expect(askDays({ question, session }, 'nothing')).rejects.toThrow('no job nothing');
  expect(asked).toHaveLength(1);
});
