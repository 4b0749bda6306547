import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const PlantScreen = deepScreen('PlantScreen');

export default function Route() {
  const { plant } = useLocalSearchParams<{ plant: string }>();
  return <PlantScreen slug={plant} />;
}
