import { fedBy } from '../choice/fed';
import { NOTHING_HELD, zoneCaseOf, type Held, type ZoneCase } from '../choice/zoneCase';
import { applicationsOf } from '../courses/applicationsOf';
import { controlNeed, controlProgress } from '../courses/controlProgress';
import { controlSteps } from '../courses/controlStep';
import { controlWays, isWalked } from '../courses/controlWays';
import { fallRound } from '../courses/fallRound';
import { feedSteps } from '../courses/feedSteps';
import { findOut, measureFirst, type Findings } from '../courses/findOut';
import { leftAlone } from '../courses/leftAlone';
import { killCourse, wantsKill, type Kill } from '../courses/killCourse';
import { preventStep, type Prevention } from '../courses/preventStep';
import { cureCourse, protectCourse } from '../courses/protectStep';
import { seedStep, type Seeding } from '../courses/seedStep';
import { groundOf } from '../courses/walked';
import { starterStep } from '../courses/starterStep';
import type {
  Clash,
  FeedStep,
  PreventStep,
  ProtectStep,
  Season,
  SeedStep,
  SprayStep,
} from '../courses/step';
import { later, type StepWindow } from '../choice/window';
import { chosenCourse } from '../needs/chosenCourse';
import { cause as causeOf, emergenceWindows, type EmergenceWindow } from '../knowledge';
import { keyModel } from '../knowledge/key';
import { killRules } from '../knowledge/programmes';
import { preventionWindows } from '../knowledge/preventionWindows';
import { mainGrass, type Zone } from '../lawn';
import { needOfWork, workId, type Need } from '../needs/need';
import { notHere } from '../needs/notHere';
import type { Reason } from '../needs/reason';
import type { DamageFinding, SeasonInput, WeedFinding } from '../needs/seasonInput';
import { addDays, daysBetween, yearOf, type LocalDate } from '../units';

/** A dated return, and the need that it asks about. */
export interface LookDue {
  need: string;
  subject: string;
  date: LocalDate;
}

export interface ZonePlan extends Season {
  looks: LookDue[];
}

/** No product goes on a name that the key was not sure of. */
const isUnsure = ({ confidence }: WeedFinding): boolean =>
  confidence !== undefined && confidence < keyModel.lockBelow;

/** Ways that are work by hand. */
const BY_HAND: ReadonlySet<string> = new Set(['hand-removal', 'dig-out']);

/** Works one zone out, need by need: what is planned for one keeps clear of what is planned for those before it. */
class ZonePlanner {
  readonly plan: ZonePlan = {
    needs: [],
    steps: [],
    clashes: [],
    leftOut: [],
    unmet: [],
    looks: [],
    nitrogen: [],
    byHand: [],
    unheld: [],
  };

  constructor(
    private readonly input: SeasonInput,
    private readonly zone: Zone,
    private readonly zoneCase: ZoneCase,
  ) {}

  leaveOut(reason: Reason): void {
    this.plan.leftOut.push({ zoneId: this.zone.id, reason });
  }

  /** Takes a step into the plan, so that later ones keep clear of its limits, and of what it feeds. */
  lay(step: SprayStep | ProtectStep | FeedStep): void {
    const { usage, shelf, fed, planned } = this.zoneCase;
    const applications = applicationsOf(step);
    this.plan.steps.push(step);
    planned.push(...applications);
    fed.push(
      ...applications.map((application) => ({
        ...fedBy({ ...application, stepId: step.id }, shelf),
        planned: true,
      })),
    );
    if (step.kind === 'protect' || step.kind === 'feed') return;
    for (const { herbicide: slug, ratePerAcre } of step.products) {
      const product = shelf.herbicide(slug);
      const targets = step.control.map(({ weed }) => weed);
      if (product) usage.add(product, ratePerAcre, step.window.best, targets);
    }
  }

  /** What somebody found and decided about, and what was here before: cured in its season, or kept from coming. */
  causes(): void {
    const damages = this.input.findings
      .filter(({ zoneId }) => zoneId === this.zone.id)
      .flatMap((finding) => finding.damages);
    // One walk treats a cause in all its patches; a patch to be treated outweighs one to be spared.
    const decided = new Map<string, DamageFinding>();
    for (const damage of damages) {
      const { cause, protect } = damage;
      const group = cause ? causeOf(cause)?.group : undefined;
      if (!cause || !protect || (group !== 'insect' && group !== 'disease')) continue;
      if (decided.get(cause)?.protect !== 'treat') decided.set(cause, damage);
    }
    const named = new Set(damages.flatMap(({ cause }) => cause ?? []));
    const history = (this.input.history?.get(this.zone.id) ?? []).filter(
      (cause) => !named.has(cause),
    );
    for (const [cause, damage] of decided) {
      this.cause(
        damage.protect === 'treat'
          ? cureCourse(this.zoneCase, cause, damage)
          : protectCourse(this.zoneCase, cause, this.treatments()),
        cause,
      );
    }
    const showpiece = (this.zone.upkeep ?? this.input.upkeep) === 'showpiece';
    for (const cause of history) {
      const windows = preventionWindows.filter((entry) => entry.cause === cause);
      // A thing of looks is prevented where the finish asks for it; elsewhere culture holds it down, and that is said.
      if (windows.length === 0 || (windows.every((entry) => entry.showpiece) && !showpiece)) {
        this.leaveOut({ rule: 'protect-culture', inputs: { cause } });
        continue;
      }
      this.cause(protectCourse(this.zoneCase, cause, this.treatments()), cause);
    }
  }

  /** Whether somebody has said that a need is not met here; it stands in the plan with that. */
  private dropped(need: Need): boolean {
    const reason = notHere(this.input, need.id);
    if (!reason) return false;
    this.plan.needs.push({ ...need, state: 'givenUp', course: null, reason });
    return true;
  }

  private treatments(): ProtectStep[] {
    return this.plan.steps.filter((step): step is ProtectStep => step.kind === 'protect');
  }

  private cause(
    { need, steps, unmet, lookOn }: ReturnType<typeof cureCourse>,
    subject: string,
  ): void {
    if (this.dropped(need)) return;
    this.plan.needs.push(need);
    this.plan.unmet.push(...unmet);
    steps.forEach((step) => this.lay(step));
    if (lookOn) this.plan.looks.push({ need: need.id, subject, date: lookOn });
  }

  /**
   * Pre-emergents in order of date beside the seed: one that shuts it out, and it, are held back until somebody
   * picks; establishing a stand is what the customer has asked for.
   * @returns the seed where it stays
   */
  prevention(seed: SeedStep | null): {
    seed: SeedStep | null;
    /** Why it does not stay; `null` where it does, or there was none. */
    without: { state: Need['state']; reason: Reason } | null;
  } {
    const { zone, input, zoneCase, plan } = this;
    const groups = emergenceWindows
      .flatMap((group) => {
        const found = preventStep(zoneCase, group, seed);
        return found ? [{ group, found }] : [];
      })
      .sort(({ found: a }, { found: b }) =>
        (a.steps[0]?.window.best ?? '') < (b.steps[0]?.window.best ?? '') ? -1 : 1,
      );
    const clashId = (group: EmergenceWindow, step: SprayStep) =>
      `${zone.id}:seed-or-prevent:${group.slug}:${yearOf(step.window.best)}`;
    const choiceOf = (id: string): Clash['choice'] =>
      input.choices[id] ?? (zone.project === 'build' ? 'seed' : null);
    // A choice for prevention settles the seeding before anything is laid out around it.
    const chosenPrevent = groups.some(
      ({ group, found: { need, clash, steps } }) =>
        clash &&
        steps[0] &&
        !notHere(input, need) &&
        choiceOf(clashId(group, steps[0])) === 'prevent',
    );
    let held = false;
    const before = zoneCase.planned.length;
    for (const { group, found: alone } of groups) {
      // Each is asked again once the ones before it have used up part of the limits.
      const found =
        zoneCase.planned.length === before
          ? alone
          : (preventStep(zoneCase, group, seed) as Prevention);
      const { steps, clash, unmet } = found;
      const [step] = steps;
      const said = notHere(input, found.need);
      if (said) {
        this.needOf(found, group, 'givenUp', said);
        continue;
      }
      plan.unmet.push(...unmet);
      if (!clash || !seed || !step) {
        this.layPrevention(group, found);
        continue;
      }
      const id = clashId(group, step);
      const choice = choiceOf(id);
      plan.clashes.push({
        id,
        zoneId: zone.id,
        seed,
        prevent: step,
        ...clash,
        seedFrom: addDays(step.window.best, clash.waitWeeks * 7),
        choice,
      });
      if (choice === 'prevent' || (chosenPrevent && choice !== 'seed')) {
        this.layPrevention(group, found);
        if (choice === 'prevent') {
          this.leaveOut({ rule: 'seed-set-aside', inputs: { group: group.slug } });
        }
        continue;
      }
      const reason = { rule: 'prevent-set-aside', inputs: { group: group.slug } };
      this.needOf(found, group, choice === 'seed' ? 'givenUp' : 'waiting', reason);
      if (choice === 'seed') this.leaveOut(reason);
      else held = true;
    }
    return {
      seed: chosenPrevent ? null : seed,
      without: chosenPrevent
        ? { state: 'givenUp', reason: { rule: 'seed-set-aside-need', inputs: {} } }
        : held
          ? { state: 'waiting', reason: { rule: 'seed-or-prevent', inputs: {} } }
          : null,
    };
  }

  private needOf(
    { need, cycle, state, reason }: Prevention,
    group: EmergenceWindow,
    as: Need['state'] = state,
    because: Reason | undefined = reason,
  ): void {
    this.plan.needs.push({
      kind: 'prevent',
      subject: group.slug,
      place: { zoneId: this.zone.id },
      cycle,
      id: need,
      state: as,
      course: as === 'givenUp' ? null : 'pre-emergent',
      ways: ['pre-emergent'],
      ...(because ? { reason: because } : {}),
    });
  }

  private layPrevention(group: EmergenceWindow, found: Prevention): void {
    this.needOf(found, group);
    if (found.reason && found.state !== 'givenUp') this.leaveOut(found.reason);
    for (const step of found.steps) {
      const sameMix = this.plan.steps.find(
        (other): other is PreventStep =>
          other.kind === 'prevent' &&
          Math.abs(daysBetween(other.window.best, step.window.best)) <= 14 &&
          other.products.some((p) => step.products.some((q) => q.herbicide === p.herbicide)),
      );
      if (!sameMix) {
        this.lay(step);
        continue;
      }
      sameMix.control.push(...step.control);
      sameMix.serves.push(...step.serves);
      sameMix.because.push({ rule: 'prevent-same-walk', inputs: { group: group.slug } });
    }
  }

  /** The seeding that the cover asks for, unless somebody has said that there is none here. */
  seeding(): Seeding {
    const found = seedStep(this.zoneCase);
    const said = found.need && notHere(this.input, found.need.id);
    return found.need && said
      ? {
          need: { ...found.need, state: 'givenUp', course: null, reason: said },
          step: null,
          reason: said,
        }
      : found;
  }

  /** Work of every weed that a total kill of the zone does as well. */
  killed(round: number): string[] {
    return this.zoneCase.weeds
      .filter((finding) => finding.growing && !isUnsure(finding))
      .map((finding) => workId(controlNeed(this.zoneCase, finding), 'kill', round))
      .sort();
  }

  /** Seed with its starter, and before it what dies to make room. */
  sow(seed: SeedStep, kill: Kill | null): void {
    kill?.steps.forEach((step) => this.lay(step));
    this.zoneCase.givenUp = kill?.givenUp ?? null;
    if (kill?.lookOn) {
      this.plan.looks.push({
        need: needOfWork(seed.id),
        subject: seed.species,
        date: kill.lookOn,
      });
    }
    this.plan.steps.push(seed);
    this.starter(seed);
  }

  private starter(seed: Parameters<typeof starterStep>[1]): void {
    const starter = starterStep(this.zoneCase, seed);
    if ('rule' in starter) this.leaveOut(starter);
    else this.lay(starter);
  }

  /** After the seed: its starter where that is not down yet, and ground that is left alone until it is up. */
  sownAlready({ need, sown }: Seeding): void {
    if (!need || !sown) return;
    const { on, material } = sown;
    const { today } = this.input;
    const closes = addDays(on, killRules.starterWithinDays);
    if (need.kind === 'renovate') {
      this.zoneCase.givenUp = { from: on, to: addDays(on, killRules.starterDays) };
    }
    if (closes < today) return;
    const window: StepWindow = {
      opens: on,
      best: on < today ? today : on,
      closes,
      basis: { kind: 'calendar' },
    };
    const { areaFt2 } = this.zoneCase;
    this.starter({ id: workId(need.id, 'sow', 1), window, material, areaFt2 });
  }

  /** Weeds of a zone that is started over: what kills the stand kills them. */
  private renovated(kill: Kill, finding: WeedFinding): void {
    const [first] = kill.steps;
    const place = { zoneId: this.zone.id };
    this.plan.needs.push({
      kind: 'control',
      subject: finding.weed,
      place,
      cycle: String(yearOf(finding.since ?? this.input.today)),
      id: controlNeed(this.zoneCase, finding),
      state: first ? 'planned' : 'waiting',
      course: 'kill-and-reseed',
      ways: ['kill-and-reseed'],
      reason: {
        rule: 'control-renovation',
        inputs: { weed: finding.weed, on: first?.window.best ?? kill.seed.window.best },
      },
    });
  }

  /**
   * A weed for which somebody chose another way than walks with a product.
   * @returns whether that way is open, and was taken
   */
  private otherWay(finding: WeedFinding): boolean {
    const { zone, zoneCase, plan, input } = this;
    const id = controlNeed(zoneCase, finding);
    const choice = chosenCourse(input, id);
    if (!choice || isWalked(choice.course)) return false;
    const { course } = choice;
    const subject = finding.weed;
    const ways = controlWays(zoneCase, finding, true);
    const take = (state: Need['state'], reason?: Reason, lookOn?: LocalDate | null): true => {
      plan.needs.push({
        kind: 'control',
        subject,
        place: { zoneId: zone.id },
        cycle: String(yearOf(finding.since ?? input.today)),
        id,
        state,
        course,
        ways,
        ...(reason ? { reason } : {}),
      });
      if (lookOn) plan.looks.push({ need: id, subject, date: lookOn });
      return true;
    };
    if (!ways.includes(course)) {
      plan.unheld.push({ needId: id, reason: { rule: 'course-not-open', inputs: { course } } });
      return false;
    }
    if (course === 'leave') {
      const left = leftAlone(input, choice, subject);
      return left !== null && take(left.state, left.reason, left.lookOn);
    }
    if (course === 'accept') {
      return take('givenUp', { rule: 'course-accept', inputs: { weed: subject } });
    }
    if (!BY_HAND.has(course)) {
      return take('waiting', { rule: 'course-outside', inputs: { course } });
    }
    const { state, task, reason, lookOn } = controlProgress(zoneCase, finding);
    if (task) {
      plan.byHand.push({
        id: workId(id, 'pull', task.done + 1),
        need: id,
        kind: 'pull',
        zoneId: zone.id,
        areaFt2: groundOf(zoneCase, finding),
        opens: later(input.today, task.notBefore ?? input.today),
      });
    }
    return take(state === 'open' ? 'planned' : state, reason, lookOn);
  }

  /** Weeds that grow: each a programme of its own, on walks that they share. */
  weeds(seed: SeedStep | null, kill: Kill | null): void {
    const { zone, zoneCase, plan, input } = this;
    for (const { weed, confidence } of zoneCase.weeds.filter(isUnsure)) {
      const reason = {
        rule: 'weed-name-unsure',
        inputs: {
          weed,
          sure: Math.round((confidence ?? 0) * 100),
          from: keyModel.lockBelow * 100,
        },
      };
      plan.unmet.push({ zoneId: zone.id, weed, reason });
      this.find(weed, reason);
    }
    for (const finding of input.findings.filter(({ zoneId }) => zoneId === zone.id)) {
      for (const { category } of finding.unnamed) {
        const reason = { rule: 'weed-unnamed', inputs: { category } };
        this.leaveOut(reason);
        this.find(category, reason);
      }
    }
    const sure = zoneCase.weeds.filter((finding) => !isUnsure(finding));
    const grouped = new Set(emergenceWindows.flatMap((group) => group.weeds));
    for (const { weed } of sure.filter(
      (finding) => !finding.growing && !grouped.has(finding.weed),
    )) {
      this.leaveOut({ rule: 'weed-not-seen', inputs: { weed } });
    }
    if (kill) {
      sure.filter(({ growing }) => growing).forEach((finding) => this.renovated(kill, finding));
      return;
    }
    const stand = sure
      .filter(({ growing }) => growing)
      .filter((finding) => {
        const id = controlNeed(zoneCase, finding);
        const place = { zoneId: zone.id };
        const cycle = String(yearOf(finding.since ?? input.today));
        const ways = controlWays(zoneCase, finding, false);
        const identity = { kind: 'control' as const, subject: finding.weed, place, cycle };
        return !this.dropped({ ...identity, id, state: 'open', course: null, ways });
      })
      .filter((finding) => !this.otherWay(finding))
      .map((finding) => ({ finding, ...controlProgress(zoneCase, finding) }));
    const tasks = stand.flatMap(({ task }) => task ?? []);
    const { steps, unmet } = controlSteps(zoneCase, seed, tasks, (step) => this.lay(step));
    plan.unmet.push(...unmet);
    for (const { finding, need: id, state, reason, lookOn } of stand) {
      const planned = steps.some(({ serves }) => serves.some((work) => work.startsWith(`${id}/`)));
      const missed = unmet.find(({ weed }) => weed === finding.weed)?.reason;
      const why = reason ?? (planned ? undefined : missed);
      const walks = planned || state !== 'open';
      plan.needs.push({
        kind: 'control',
        subject: finding.weed,
        place: { zoneId: zone.id },
        cycle: String(yearOf(finding.since ?? input.today)),
        id,
        state:
          state === 'open'
            ? planned
              ? 'planned'
              : 'givenUp'
            : !planned && missed
              ? 'partly'
              : state,
        course: walks ? 'post-emergent' : null,
        ways: controlWays(zoneCase, finding, walks),
        ...(why ? { reason: why } : {}),
      });
      if (reason && !planned) this.leaveOut(reason);
      if (lookOn) plan.looks.push({ need: id, subject: finding.weed, date: lookOn });
    }
    const round = fallRound(zoneCase, seed, steps, (step) => this.lay(step));
    if (!round) return;
    plan.needs.push(round);
    if (round.reason) this.leaveOut(round.reason);
  }

  private find(subject: string, reason: Reason): void {
    this.found(findOut(this.input, this.zone, { subject, kind: 'name', reason }));
  }

  private found({ needs, byHand }: Findings): void {
    this.plan.needs.push(...needs);
    this.plan.byHand.push(...byHand);
  }

  /** The ground is measured first where its area is a guess. */
  measured(): void {
    this.found(measureFirst(this.input, this.zone));
  }

  /** The stand is counted before it is known what it needs, on the next trip. */
  counted(need: string): void {
    const { zone, zoneCase, input } = this;
    this.plan.byHand.push({
      id: workId(need, 'count', 1),
      need,
      kind: 'count',
      zoneId: zone.id,
      areaFt2: zoneCase.areaFt2,
      opens: input.today,
    });
  }

  /** Grass that nobody has named: nothing else is planned, for all of it hangs on that. */
  static unnamed(input: SeasonInput, zone: Zone): ZonePlan {
    const reason = { rule: 'name-grass-first', inputs: {} };
    return {
      ...findOut(input, zone, { subject: 'grass', kind: 'name', reason }),
      steps: [],
      clashes: [],
      leftOut: [{ zoneId: zone.id, reason }],
      unmet: [],
      looks: [],
      nitrogen: [],
      unheld: [],
    };
  }
}

/**
 * Works out one zone: seed first (it shuts other work out), then pre-emergents in order of date, insects and diseases,
 * the weeds that grow, and the feedings. Seed and a pre-emergent that cannot both be had are held back
 * until the technician picks one. Where nobody has named the grass nothing is planned: what may be
 * spread or sprayed depends on it.
 */
export function planZone(input: SeasonInput, zone: Zone, held: Held = NOTHING_HELD): ZonePlan {
  if (!mainGrass(zone)) return ZonePlanner.unnamed(input, zone);
  const zoneCase = zoneCaseOf(input, zone, held);
  zoneCase.startOver = zoneCase.weeds.some(
    (finding) =>
      finding.growing &&
      chosenCourse(input, controlNeed(zoneCase, finding))?.course === 'kill-and-reseed' &&
      controlWays(zoneCase, finding, true).includes('kill-and-reseed'),
  );
  const planner = new ZonePlanner(input, zone, zoneCase);
  planner.measured();
  const seeding = planner.seeding();
  if (seeding.reason) planner.leaveOut(seeding.reason);
  const kill =
    seeding.step?.use === 'new' && seeding.need
      ? killCourse(zoneCase, seeding.step, seeding.need.id, (round) => planner.killed(round))
      : null;
  const { seed, without } = planner.prevention(kill?.seed ?? seeding.step);
  const keep = without === null;
  if (seeding.step?.use === 'new' && !kill && wantsKill(zoneCase)) {
    planner.leaveOut({ rule: zoneCase.sowOn ? 'kill-no-time' : 'kill-no-product', inputs: {} });
  }
  if (seeding.need) {
    planner.plan.needs.push(
      seeding.step && without ? { ...seeding.need, ...without } : seeding.need,
    );
    if (seeding.need.kind === 'find') planner.counted(seeding.need.id);
  }
  const sown = keep ? seed : null;
  if (sown) planner.sow(sown, kill);
  planner.sownAlready(seeding);
  planner.causes();
  planner.weeds(seed, sown && kill);
  const feeding = feedSteps(zoneCase, sown);
  planner.plan.steps.push(...feeding.steps);
  planner.plan.needs.push(...feeding.needs);
  planner.plan.nitrogen.push(...feeding.years);
  feeding.leftOut.forEach((reason) => planner.leaveOut(reason));
  return planner.plan;
}
