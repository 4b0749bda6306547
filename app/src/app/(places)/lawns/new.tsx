import '@/i18n/deepWords';
import { PropertyScreen } from '@/features/property/PropertyScreen';

export default function NewPropertyRoute() {
  return <PropertyScreen lawnId={null} />;
}
