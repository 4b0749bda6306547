import '@/i18n/deepWords';
import { PropertyScreen } from '@/features/property/PropertyScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <PropertyScreen lawnId={id} />;
}
