import '@/i18n/deepWords';
import { FreeMixScreen } from '@/features/mix/FreeMixScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { product, rate, area } = useLocalSearchParams<{
    product?: string;
    rate?: string;
    area?: string;
  }>();
  return (
    <FreeMixScreen
      key={`${product} ${rate} ${area}`}
      product={product}
      ratePerAcre={Number(rate)}
      areaFt2={Number(area)}
    />
  );
}
