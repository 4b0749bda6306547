import { Content, List, Root, Trigger } from '@radix-ui/react-tabs';
import type { ReactNode } from 'react';
import { Words } from './Words';

interface TabsOf<Value extends string> {
  value: Value;
  options: readonly { value: Value; label: string; note?: string }[];
  onChange: (value: Value) => void;
}

/** A few views of one thing, side by side, with the chosen one below; arrows move between them. */
export function Segmented<Value extends string>({
  value,
  options,
  onChange,
  fill = false,
  sticky = false,
  children,
}: TabsOf<Value> & {
  /** Takes the height that is there; the view scrolls by itself. */
  fill?: boolean;
  /** The row of tabs stays in sight while the view scrolls. */
  sticky?: boolean;
  /** The chosen view. */
  children: ReactNode;
}) {
  return (
    <Root
      value={value}
      onValueChange={(next) => onChange(next as Value)}
      // A view may be large: it opens when it is chosen, not when an arrow passes over it.
      activationMode="manual"
      className={`flex flex-col gap-4 ${fill ? 'min-h-0 flex-1' : ''}`}
    >
      <List
        className={`flex flex-row flex-wrap border-b-2 border-line ${sticky ? 'sticky top-0 z-10 bg-ground' : ''}`}
      >
        {options.map((option) => {
          const chosen = option.value === value;
          return (
            <Trigger
              key={option.value}
              value={option.value}
              className={`-mb-[2px] flex min-h-[52px] min-w-fit flex-1 flex-col items-center justify-center border-b-4 px-1 ${chosen ? 'border-main' : 'border-transparent'}`}
            >
              <Words weight={chosen ? 'bold' : 'semi'} tone={chosen ? 'ink' : 'quiet'}>
                {option.label}
              </Words>
              {option.note ? (
                <Words size="note" tone={chosen ? 'second' : 'quiet'}>
                  {option.note}
                </Words>
              ) : null}
            </Trigger>
          );
        })}
      </List>
      <Content
        value={value}
        tabIndex={-1}
        className={`flex flex-col gap-4 ${fill ? 'min-h-0 flex-1' : ''}`}
      >
        {children}
      </Content>
    </Root>
  );
}
