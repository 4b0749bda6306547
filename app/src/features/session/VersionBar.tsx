import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useVersionStore } from '@/state/serviceWorker';
import { useUnsavedStore } from '@/state/unsavedStore';
import { Button, Words } from '@/ui';

/** Says that a newer version is ready; it opens only when nothing typed would be lost. */
export function VersionBar() {
  const { t } = useTranslation();
  const open = useVersionStore((state) => state.open);
  const typing = useUnsavedStore(({ forms }) => forms.length > 0);
  if (!open) return null;
  return (
    <View
      role="region"
      aria-label={t('version.label')}
      className="flex-row flex-wrap items-center gap-3 border-b-2 border-line bg-cool-tint px-4 py-2"
    >
      <Words weight="semi" className="min-w-0 flex-1" role="status">
        {t(typing ? 'version.waits' : 'version.ready')}
      </Words>
      {typing ? null : <Button kind="equal" label={t('version.open')} onPress={open} />}
    </View>
  );
}
