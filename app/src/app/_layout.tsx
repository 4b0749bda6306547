import '../../global.css';
import { AtkinsonHyperlegibleNext_400Regular } from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular';
import { AtkinsonHyperlegibleNext_600SemiBold } from '@expo-google-fonts/atkinson-hyperlegible-next/600SemiBold';
import { AtkinsonHyperlegibleNext_700Bold } from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold';
import { BricolageGrotesque_600SemiBold } from '@expo-google-fonts/bricolage-grotesque/600SemiBold';
import { BricolageGrotesque_700Bold } from '@expo-google-fonts/bricolage-grotesque/700Bold';
import { QueryClientProvider } from '@tanstack/react-query';
import { useFonts } from 'expo-font';
import { Slot } from 'expo-router';
import { useEffect, useState } from 'react';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { makeQueryClient } from '@/api/queryClient';
import '@/i18n';
import { usePreferenceStore } from '@/state/preferenceStore';
import { registerServiceWorker } from '@/state/serviceWorker';

export default function RootLayout() {
  const [client] = useState(makeQueryClient);
  const [ready] = useFonts({
    AtkinsonHyperlegibleNext_400Regular,
    AtkinsonHyperlegibleNext_600SemiBold,
    AtkinsonHyperlegibleNext_700Bold,
    BricolageGrotesque_600SemiBold,
    BricolageGrotesque_700Bold,
  });
  useEffect(registerServiceWorker, []);
  const sunBright = usePreferenceStore((state) => state.sunBright);
  useEffect(() => {
    document.documentElement.dataset.light = sunBright ? 'sun' : 'device';
  }, [sunBright]);
  if (!ready) return null;
  return (
    <QueryClientProvider client={client}>
      <SafeAreaProvider>
        <Slot />
      </SafeAreaProvider>
    </QueryClientProvider>
  );
}
