import { targetControl } from '../choice/chooseMix';
import type { ZoneCase } from '../choice/zoneCase';
import { weed as weedOf } from '../knowledge';
import { walkRules } from '../knowledge/programmes';
import { needId, type NeedState } from '../needs/need';
import type { Reason } from '../needs/reason';
import type { LookAnswer, WeedFinding } from '../needs/seasonInput';
import { addDays, yearOf, type LocalDate } from '../units';
import { walkedAgainst, type Walked } from './walked';

/** A weed that still has walks before it. */
export interface ControlTask {
  need: string;
  finding: WeedFinding;
  /** Walks that have been made, and the most there may be. */
  done: number;
  rounds: number;
  /** First day of the next walk; `null`: any. */
  notBefore: LocalDate | null;
  /** The next walk is made only where the weed is still seen. */
  waitsForLook: boolean;
  /** Nobody has looked after the last walk. */
  unseen: boolean;
}

/** Where a weed's programme stands on a day. */
export interface ControlProgress {
  need: string;
  state: NeedState;
  /** The walks before it; `null` where there are none. */
  task: ControlTask | null;
  /** Day of the return that shows the result, while it is not answered. */
  lookOn: LocalDate | null;
  reason?: Reason;
}

/** Identifier of the need that a growing weed is: it is the same until it has gone. */
export const controlNeed = (zoneCase: ZoneCase, finding: WeedFinding): string =>
  needId({
    kind: 'control',
    subject: finding.weed,
    place: { zoneId: zoneCase.zone.id },
    cycle: String(yearOf(finding.since ?? zoneCase.input.today)),
  });

/** What was seen of a weed once the result of its last walk could show: an answer, or a later sighting. */
function answerAfter(
  looks: readonly LookAnswer[],
  need: string,
  finding: WeedFinding,
  last: Walked,
): LookAnswer['seen'] | null {
  const answer = looks
    .filter(({ needId: id, date }) => id === need && date > last.date)
    .sort((a, b) => (a.date < b.date ? -1 : 1))
    .pop();
  const seenFrom = addDays(last.resultOn, -walkRules.seenEarlyDays);
  if (finding.seenOn && finding.seenOn >= seenFrom && finding.seenOn > (answer?.date ?? '')) {
    return 'same';
  }
  return answer?.seen ?? null;
}

/**
 * Where the programme against a growing weed stands: walks on record count whoever made them; after each the weed is
 * looked at; what outlives all of them is told and not sprayed for ever.
 */
export function controlProgress(zoneCase: ZoneCase, finding: WeedFinding): ControlProgress {
  const { input } = zoneCase;
  const { today } = input;
  const need = controlNeed(zoneCase, finding);
  const entry = weedOf(finding.weed);
  const interval = entry?.intervalDays[0] ?? walkRules.usualResultDays;
  const walks = walkedAgainst(zoneCase, finding, need);
  const counted = walks.filter(({ counts }) => counts);
  const done = counted.length;
  // What killed the whole stand was its last walk, until it is seen again.
  const rounds = counted.some(({ total }) => total) ? done : Math.max(1, entry?.applications ?? 1);
  const survive = walks.reduce((left, { control }) => left * (1 - control), 1);
  const last = walks.at(-1);
  const task = (most: number, waitsForLook: boolean): ControlTask => ({
    need,
    finding,
    done,
    rounds: most,
    notBefore: last ? addDays(last.date, interval) : null,
    waitsForLook,
    unseen: false,
  });
  const none = { need, task: null, lookOn: null };
  if (!last) return { need, state: 'open', task: task(rounds, false), lookOn: null };
  const seen = answerAfter(input.looks, need, finding, last);
  if (seen === 'gone') return { ...none, state: 'met' };
  // One that was rained off, or half way: the rest of it is still to be done.
  if (!last.counts && done < rounds) {
    return { need, state: 'underWay', task: task(rounds, false), lookOn: null };
  }
  const stillToLook = seen === null && today <= addDays(last.resultOn, walkRules.lookOpenDays);
  if (done < rounds) {
    // Seen again it waits for nothing more; where nobody looked, the weed is taken to be there as the table says.
    return {
      need,
      state: 'underWay',
      task: { ...task(rounds, stillToLook), unseen: seen === null && !stillToLook },
      lookOn: stillToLook ? last.resultOn : null,
    };
  }
  if (seen !== null) {
    return done < rounds + walkRules.extraWalks
      ? { need, state: 'underWay', task: task(done + 1, false), lookOn: null }
      : {
          ...none,
          state: 'failed',
          reason: { rule: 'control-failed', inputs: { weed: finding.weed, walks: done } },
        };
  }
  if (stillToLook) {
    return {
      ...none,
      state: 'waiting',
      lookOn: last.resultOn,
      reason: { rule: 'control-look', inputs: { weed: finding.weed, on: last.resultOn } },
    };
  }
  // Nobody looked: what was expected stands, and says so.
  const expectedPct = Math.round(100 * (1 - survive));
  const reached = expectedPct >= targetControl(finding.weed);
  return {
    ...none,
    state: reached ? 'met' : 'partly',
    reason: {
      rule: reached ? 'control-assumed' : 'control-partly',
      inputs: { weed: finding.weed, expectedPct },
    },
  };
}
