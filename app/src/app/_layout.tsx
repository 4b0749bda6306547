import '../../global.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { Slot } from 'expo-router';
import { useEffect, useState } from 'react';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { makeQueryClient } from '@/api/queryClient';
import '@/i18n';
import { usePreferenceStore } from '@/state/preferenceStore';

export default function RootLayout() {
  const [client] = useState(makeQueryClient);
  const sunBright = usePreferenceStore((state) => state.sunBright);
  useEffect(() => {
    document.documentElement.dataset.light = sunBright ? 'sun' : 'device';
  }, [sunBright]);
  return (
    <QueryClientProvider client={client}>
      <SafeAreaProvider>
        <Slot />
      </SafeAreaProvider>
    </QueryClientProvider>
  );
}
