import { SignInScreen } from '@/features/session/SignInScreen';
import { useLocalSearchParams } from 'expo-router';

export default function SignIn() {
  const { next } = useLocalSearchParams<{ next?: string }>();
  return <SignInScreen next={next} />;
}
