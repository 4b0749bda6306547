import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useSignIn } from '@/api/queries';
import { RequestFailure } from '@/api/request';
import { useFailureWords } from '@/api/useFailureWords';
import { Button, Field, Selvedge, Title, useArrival, Words } from '@/ui';

/** Where to after the door: a page of this app, and never another's address. */
export function placeToGo(next: string | undefined): string {
  if (!next) return FIRST_PLACE;
  const here = window.location.origin;
  try {
    const { origin, pathname, search } = new URL(next, here);
    // What is left of it must still be read as a path: `//else.where` is an address.
    return origin === here && /^\/(?![/\\])/.test(pathname) ? `${pathname}${search}` : FIRST_PLACE;
  } catch {
    return FIRST_PLACE;
  }
}
const FIRST_PLACE = '/lawns';

/** The door. After it the technician is back where they were. */
export function SignInScreen({ next }: { next: string | undefined }) {
  const { t } = useTranslation();
  const router = useRouter();
  const words = useFailureWords();
  const signIn = useSignIn();
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const failure = signIn.error;
  const issues = failure instanceof RequestFailure ? failure.issues : [];
  const issue = (field: string) => issues.find(({ path }) => path[0] === field)?.message;
  const after = placeToGo(next);
  const submit = () =>
    signIn.mutate(
      { who: { email: email.trim(), password }, next: after },
      { onSuccess: () => router.replace(after as Href) },
    );
  const heading = useArrival([t('signIn.submit')], true);
  return (
    <View role="main" className="flex-1 bg-ground">
      <Selvedge />
      <View className="w-full max-w-[420px] flex-1 justify-center gap-5 self-center p-5">
        <View className="gap-1">
          <Words size="figure" display>
            {t('app')}
          </Words>
          <Title ref={heading} level={1} tabIndex={-1} className="outline-none">
            {t('signIn.title')}
          </Title>
          <Words tone="second">{t('signIn.lead')}</Words>
        </View>
        <Field
          label={t('signIn.email')}
          value={email}
          onChange={setEmail}
          autoComplete="email"
          error={issue('email')}
          testID="email"
        />
        <Field
          label={t('signIn.password')}
          value={password}
          onChange={setPassword}
          secret
          autoComplete="current-password"
          onSubmit={submit}
          error={issue('password') ?? (failure && issues.length === 0 ? words(failure) : undefined)}
          testID="password"
        />
        <Button
          label={t('signIn.submit')}
          onPress={submit}
          busy={signIn.isPending ? t('common.loading') : null}
          testID="sign-in"
          wide
        />
      </View>
    </View>
  );
}
