import { Item, Root } from '@radix-ui/react-radio-group';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Words } from './Words';

/**
 * One of a few. Arrows move the choice, as in every radio group; none is pressed while nothing was chosen.
 * The boxes are `Choice`s.
 */
export function ChoiceGroup<Value extends string>({
  label,
  value,
  onChange,
  className,
  children,
  testID,
}: {
  /** Name of the group, for those who do not see it stand together. */
  label: string;
  value: Value | null;
  onChange: (value: Value) => void;
  className: string;
  children: ReactNode;
  testID?: string;
}) {
  return (
    <Root
      aria-label={label}
      value={value}
      onValueChange={(next) => onChange(next as Value)}
      className={className}
      data-testid={testID}
    >
      {children}
    </Root>
  );
}

/** A box of a `ChoiceGroup`. */
export function Choice({
  value,
  className,
  children,
  testID,
}: {
  value: string;
  className: string;
  children: ReactNode;
  testID?: string;
}) {
  return (
    <Item value={value} className={`flex text-left ${className}`} data-testid={testID}>
      {children}
    </Item>
  );
}

export interface ChoicesProps<Value extends string> {
  label: string;
  value: Value | null;
  options: readonly Value[];
  nameOf: (option: Value) => string;
  onChange: (value: Value) => void;
  /** What is wrong with the choice; stands under it. */
  error?: string | undefined;
}

/** One of a few words, under its label. */
export function Choices<Value extends string>({
  label,
  value,
  options,
  nameOf,
  onChange,
  error,
}: ChoicesProps<Value>) {
  return (
    <View className="gap-1">
      <Words size="note" weight="semi" tone="second" aria-hidden>
        {label}
      </Words>
      <ChoiceGroup
        label={label}
        value={value}
        onChange={onChange}
        className="flex flex-row flex-wrap gap-2"
      >
        {options.map((option) => (
          <Choice
            key={option}
            value={option}
            className={`min-h-[48px] items-center justify-center rounded-full border-2 px-4 ${option === value ? 'border-main bg-main' : 'border-line bg-raised'}`}
          >
            <Words weight="semi" tone={option === value ? 'on-main' : 'ink'}>
              {nameOf(option)}
            </Words>
          </Choice>
        ))}
      </ChoiceGroup>
      {error ? (
        <Words size="note" weight="semi" tone="stop" role="alert">
          {error}
        </Words>
      ) : null}
    </View>
  );
}
