import { deepScreen } from '@/features/deepScreen';

const PropertyScreen = deepScreen('PropertyScreen');

export default function NewPropertyRoute() {
  return <PropertyScreen lawnId={null} />;
}
