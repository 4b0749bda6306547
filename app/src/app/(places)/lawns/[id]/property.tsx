import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const PropertyScreen = deepScreen('PropertyScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <PropertyScreen lawnId={id} />;
}
