import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const PhotosScreen = deepScreen('PhotosScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <PhotosScreen lawnId={id} />;
}
