import { forgetAnswers } from './queryClient';

/** A page that holds what is another person's starts again. */
export async function beginAnew(address?: string): Promise<never> {
  await forgetAnswers();
  if (address === undefined) window.location.reload();
  else window.location.assign(address);
  return new Promise<never>(() => undefined);
}
