export { ImportScreen as default } from '@/features/property/ImportScreen';
