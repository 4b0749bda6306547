import '@/i18n/syncWords';
import { useTranslation } from 'react-i18next';
import { useSignOut } from '@/api/queries';
import { useOutboxStore } from '@/state/sync/outboxStore';
import { Button, Sheet, Words } from '@/ui';

/** Asks before signing out while something has not been sent. */
export function SignOutSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { t } = useTranslation();
  const leave = useLeave();
  const count = useOutboxStore(({ writes }) => writes.length);
  return (
    <Sheet open={open} title={t('syncSheet.signOutTitle')} onClose={onClose}>
      <Words>{t('syncSheet.signOutLead', { count })}</Words>
      <Button label={t('syncSheet.stay')} onPress={onClose} testID="stay-signed-in" />
      <Button kind="equal" label={t('syncSheet.leave')} onPress={leave} />
    </Sheet>
  );
}

/** Signs out; the next person begins at the door. */
export function useLeave(): () => void {
  const { mutate } = useSignOut();
  return () => mutate();
}
