/** Whose page this is, on this device; what they have typed and were told is kept under it. */
const PERSON_MARK = 'alfombra-person';
/** Somebody signed out without a line: their session has to be ended before anything else is asked. */
const LEFT_MARK = 'alfombra-left';

const device = (): Storage | null => (typeof localStorage === 'undefined' ? null : localStorage);

let person: string | null = device()?.getItem(PERSON_MARK) ?? null;
/** Something was read for nobody: it is not what the next person has. */
let readForNobody = false;

/** The person whose work and answers this page shows; `null` at the door. */
export const personHere = (): string | null => person;

/**
 * Somebody has signed in, or turns out to be.
 * @returns true when the page must begin anew: it holds what is another's
 */
export function personIs(id: string): boolean {
  const other = person !== null && person !== id;
  const stale = other || (person === null && readForNobody);
  device()?.setItem(PERSON_MARK, id);
  device()?.removeItem(LEFT_MARK);
  if (!other) person = id;
  return stale;
}

/** Nobody is here any more. The session may have to be ended later, when there is a line. */
export function personLeft(): void {
  device()?.setItem(LEFT_MARK, '1');
  device()?.removeItem(PERSON_MARK);
}

export const sessionMustEnd = (): boolean => (device()?.getItem(LEFT_MARK) ?? null) !== null;
export const sessionEnded = (): void => device()?.removeItem(LEFT_MARK);

/** Where something of the person who is here is kept; a customer on their own link is nobody we know. */
const ofPerson = (name: string): string => `${name}@${person ?? 'nobody'}`;

/** What is kept for the person who is here, and nothing of anybody else. */
export const personShelf = {
  getItem: (name: string): string | null => {
    if (person === null) readForNobody = true;
    return device()?.getItem(ofPerson(name)) ?? null;
  },
  setItem: (name: string, value: string): void => device()?.setItem(ofPerson(name), value),
  removeItem: (name: string): void => device()?.removeItem(ofPerson(name)),
};

if (typeof window !== 'undefined' && typeof window.addEventListener === 'function') {
  // Somebody else signed in or out in another tab: this one must not go on as who was here.
  window.addEventListener('storage', ({ key, newValue }) => {
    if (key === PERSON_MARK && newValue !== person) window.location.reload();
  });
}
