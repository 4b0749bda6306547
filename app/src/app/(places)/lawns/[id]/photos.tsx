import '@/i18n/deepWords';
import { PhotosScreen } from '@/features/photos/PhotosScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <PhotosScreen lawnId={id} />;
}
