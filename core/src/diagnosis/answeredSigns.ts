import { choiceScreens, sign } from '../knowledge';
import { countTestVerdict } from './countTest';
import type { DiagnosisInput } from './diagnosisInput';

export interface AnsweredSigns {
  /** Signs that count: yes or no. */
  known: ReadonlyMap<string, boolean>;
  /** Asked and left open: they say nothing and are not asked again. */
  unsure: ReadonlySet<string>;
}

/** Facts of the site that answer a sign without anybody asking. */
function siteAnswers(site: DiagnosisInput['site']): [string, boolean][] {
  if (!site) return [];
  const answers: [string, boolean][] = [];
  if (site.dog !== undefined && site.dog !== null) answers.push(['c-dog', site.dog]);
  if (site.irrigated !== undefined && site.irrigated !== null) {
    answers.push(['c-noirrig', !site.irrigated]);
  }
  if (site.newTurf !== undefined && site.newTurf !== null) {
    answers.push(['c-newturf', site.newTurf]);
  }
  if (site.samePlaceBefore !== undefined && site.samePlaceBefore !== null) {
    answers.push(['c-same-place', site.samePlaceBefore]);
  }
  if (site.treeRoots) answers.push(['c-trees', true]);
  return answers;
}

/**
 * Gathers the answers of a visit: site facts first, then choice screens and field tests, then the
 * signs themselves, each overruling the ones before.
 */
export function answeredSigns(
  input: Pick<DiagnosisInput, 'site' | 'signs' | 'tests' | 'grass'>,
): AnsweredSigns {
  const known = new Map<string, boolean>(siteAnswers(input.site));
  const unsure = new Set<string>();
  for (const screen of choiceScreens) {
    const chosen = input.signs[screen.slug];
    if (typeof chosen !== 'string') continue;
    known.set(chosen, true);
    if (screen.exclusive) {
      screen.options.filter((option) => option !== chosen).forEach((o) => known.set(o, false));
    }
  }
  for (const test of input.tests) {
    const verdict = countTestVerdict(test, input.grass);
    if (verdict.answer === 'unsure') unsure.add(verdict.sign);
    else known.set(verdict.sign, verdict.answer === 'yes');
  }
  for (const [slug, value] of Object.entries(input.signs)) {
    if (!sign(slug)) continue;
    if (value === 'unsure') {
      unsure.add(slug);
      known.delete(slug);
    } else if (typeof value === 'boolean') {
      unsure.delete(slug);
      known.set(slug, value);
    }
  }
  return { known, unsure };
}
