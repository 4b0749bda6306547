import type { Step } from '@alfombra/core';
import type { TFunction } from 'i18next';

/** What is done, for which need: what was found is treated, what may come is prevented. */
export const verbOf = (t: TFunction, kind: Step['kind'], need: string): string =>
  t(`kind.${kind === 'protect' && need.startsWith('cure:') ? 'treat' : kind}`);

/** What a step is called in a list and on the strip. */
export function stepName(t: TFunction, step: Step): string {
  switch (step.kind) {
    case 'prevent':
      return `${t('kind.prevent')} ${t(`group.${step.group}`)}`;
    case 'control':
      if (step.kill) return t('stepNames.kill');
      // Nobody has seen the weeds that it is reckoned with.
      if (step.group === 'fall-round') return t('stepNames.fallRound');
      return `${t('kind.control')} ${step.control.map(({ weed }) => t(`weed.${weed}`).toLowerCase()).join(', ')}`;
    case 'protect':
      return `${t(`kind.${step.mode === 'curative' ? 'treat' : 'protect'}`)} ${t(`cause.${step.cause}`).toLowerCase()}`;
    case 'feed':
      return `${t(step.slot === 'starter' ? 'slot.starter' : 'kind.feed')} ${t('season.nitrogenShort', { value: step.nLbPer1000 })}`;
    case 'seed':
      return `${t('kind.seed')} ${t(`grass.${step.species}`).toLowerCase()}`;
    case 'look-again':
      if (step.number !== null) return t('season.lookAt', { number: step.number });
      return step.subject === null
        ? t('kind.look-again')
        : `${t('kind.look-again')}: ${t([`weed.${step.subject}`, `cause.${step.subject}`, `grass.${step.subject}`]).toLowerCase()}`;
  }
}
