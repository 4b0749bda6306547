import type { GrassSlug } from '@alfombra/core';
import { fieldTestCard, type FieldTestInput, type FieldTestResult } from '@alfombra/core/walking';
import { useTranslation } from 'react-i18next';
import { Sheet } from '@/ui';
import { FieldTestForm } from './FieldTestForm';
import { FieldTestSteps } from './FieldTestSteps';

/** A field test on a walk: the steps, the readings, the result into the walk. */
export function FieldTestSheet({
  slug,
  draftKey,
  main,
  before,
  onUse,
  onTakeOut,
  onClose,
}: {
  slug: string;
  draftKey: string;
  main: GrassSlug;
  before: FieldTestInput | undefined;
  onUse: (input: FieldTestInput, result: FieldTestResult) => void;
  onTakeOut: () => void;
  onClose: () => void;
}) {
  const { t } = useTranslation();
  const card = fieldTestCard(slug);
  if (!card) return null;
  return (
    <Sheet open title={t(`fieldTest.${slug}.name`)} onClose={onClose}>
      <FieldTestSteps card={card} />
      <FieldTestForm
        card={card}
        draftKey={draftKey}
        main={main}
        before={before}
        onUse={onUse}
        onTakeOut={onTakeOut}
      />
    </Sheet>
  );
}
