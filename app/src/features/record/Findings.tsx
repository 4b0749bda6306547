import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { checkWords } from '@/features/season/reasonWords';
import { Card, Words } from '@/ui';

/** What the checker says: exceedances in madder with the rule, cautions in weld. */
export function Findings({
  findings,
}: {
  findings: readonly {
    rule: string;
    severity: 'exceeds' | 'caution';
    material: string | null;
    inputs: Record<string, string | number>;
  }[];
}) {
  const { t, i18n } = useTranslation();
  return (
    <View className="gap-2">
      {findings.map((finding, index) => (
        <Card
          key={`${finding.rule}-${finding.material ?? ''}-${index}`}
          tone={finding.severity === 'exceeds' ? 'stop' : 'caution'}
          testID={`finding-${finding.rule}`}
        >
          <Words
            size="note"
            weight="semi"
            tone={finding.severity === 'exceeds' ? 'stop' : 'caution'}
          >
            {t(finding.severity === 'exceeds' ? 'record.exceeds' : 'record.caution')}
          </Words>
          <Words weight="bold" tone={finding.severity === 'exceeds' ? 'stop' : 'ink'}>
            {checkWords(t, finding)}
          </Words>
          {['herbicide', 'treatment', 'amendment']
            .map((kind) => `${kind}.${finding.material ?? ''}`)
            .filter((key) => i18n.exists(key))
            .map((key) => (
              <Words key={key} size="note" tone="second">
                {t(key)}
              </Words>
            ))}
        </Card>
      ))}
    </View>
  );
}
