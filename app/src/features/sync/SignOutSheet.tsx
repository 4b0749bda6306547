import '@/i18n/syncWords';
import { useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import { useSignOut } from '@/api/queries';
import { useOutboxStore } from '@/state/sync/outboxStore';
import { Button, Sheet, Words } from '@/ui';

/** Asks before signing out while something has not been sent; once it has, there is nothing left to ask. */
export function SignOutSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { t } = useTranslation();
  const { mutate, isIdle } = useSignOut();
  const count = useOutboxStore(({ writes }) => writes.length);
  useEffect(() => {
    if (open && count === 0 && isIdle) mutate();
  }, [open, count, isIdle, mutate]);
  return (
    <Sheet open={open} title={t('syncSheet.signOutTitle')} onClose={onClose}>
      <Words>{t('syncSheet.signOutLead', { count })}</Words>
      <Button label={t('syncSheet.stay')} onPress={onClose} testID="stay-signed-in" />
      <Button kind="equal" label={t('syncSheet.leave')} onPress={() => mutate()} />
    </Sheet>
  );
}

/** Signs out; the next person begins at the door. */
export function useLeave(): () => void {
  const { mutate } = useSignOut();
  return () => mutate();
}
