import { PlacesLayout } from '@/features/session/PlacesLayout';

export default PlacesLayout;
