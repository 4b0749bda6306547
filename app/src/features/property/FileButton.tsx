import { useRef } from 'react';
import { View } from 'react-native';
import { unstable_createElement } from 'react-native-web';
import { Button } from '@/ui';

/** A button that lets a file be chosen and reads it. */
export function FileButton({
  label,
  accept,
  capture = false,
  onText,
  onFile,
}: {
  label: string;
  accept: string;
  /** Asks a phone for its camera. */
  capture?: boolean;
  onText?: (content: string, name: string) => void;
  onFile?: (file: File) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <View>
      {unstable_createElement('input', {
        ref: input,
        type: 'file',
        accept,
        'aria-label': label,
        ...(capture ? { capture: 'environment' } : {}),
        style: { display: 'none' },
        onChange: (event: { target: HTMLInputElement }) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (!file) return;
          onFile?.(file);
          if (onText) void file.text().then((content) => onText(content, file.name));
        },
      })}
      <Button kind="plain" label={label} onPress={() => input.current?.click()} wide />
    </View>
  );
}
