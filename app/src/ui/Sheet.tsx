import {
  Close,
  Content,
  Overlay,
  Portal,
  Root,
  Title as DialogTitle,
} from '@radix-ui/react-dialog';
import X from 'lucide-react-native/icons/x';
import { useRef, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { useBackCloses } from './useBackCloses';
import { Words } from './Words';

/**
 * A sheet over the screen: from the bottom on a phone, in the middle when wide. Escape, the way back and
 * a press beside it close it; the focus goes in and comes back.
 */
export function Sheet({
  open,
  title,
  onClose,
  children,
}: {
  open: boolean;
  title: string;
  onClose: () => void;
  children: ReactNode;
}) {
  const { t } = useTranslation();
  const content = useRef<HTMLDivElement>(null);
  const opener = useRef<HTMLElement | null>(null);
  useBackCloses(open, onClose);
  return (
    <Root open={open} onOpenChange={(next) => (next ? undefined : onClose())}>
      <Portal>
        <Overlay className="fixed inset-0 bg-[#241c1599]" />
        <Content
          ref={content}
          aria-describedby={undefined}
          tabIndex={-1}
          // The sheet itself first: its name is read, and Tab goes on to its first control.
          onOpenAutoFocus={(event) => {
            event.preventDefault();
            opener.current = document.activeElement as HTMLElement | null;
            content.current?.focus();
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            // What opened it may have gone with what was done in it.
            const back = opener.current?.isConnected
              ? opener.current
              : document.querySelector<HTMLElement>('main h1');
            back?.focus();
          }}
          className="fixed inset-x-0 bottom-0 flex max-h-[88%] flex-col rounded-t-3xl bg-ground pb-4 outline-none lg:inset-auto lg:left-1/2 lg:top-1/2 lg:w-[560px] lg:-translate-x-1/2 lg:-translate-y-1/2 lg:rounded-3xl"
        >
          <div className="flex flex-row items-center gap-3 px-4 pb-2 pt-4">
            <DialogTitle className="m-0 flex-1 font-normal">
              <Words size="title" display>
                {title}
              </Words>
            </DialogTitle>
            <Close
              aria-label={t('common.close')}
              className="flex h-[48px] w-[48px] items-center justify-center rounded-xl bg-panel"
            >
              <X size={22} color="var(--ink)" aria-hidden />
            </Close>
          </div>
          <div
            // Long words without a control are scrolled by the arrow keys.
            tabIndex={0}
            className="flex min-h-0 flex-col gap-4 overflow-y-auto px-4 pb-4"
          >
            {children}
          </div>
        </Content>
      </Portal>
    </Root>
  );
}
