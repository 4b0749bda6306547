import '@/i18n/deepWords';
import { PlantScreen } from '@/features/guide/PlantScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { plant } = useLocalSearchParams<{ plant: string }>();
  return <PlantScreen slug={plant} />;
}
