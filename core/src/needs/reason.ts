/** A value in an explanation; the app words the rule and puts the values in. */
export type ReasonInput = string | number | boolean | null;

/** Why something is so: a rule by its name and the numbers of this lawn that went into it. */
export interface Reason {
  rule: string;
  inputs: Record<string, ReasonInput>;
}

/** A product that is not proposed, and every rule that speaks against it. */
export interface Exclusion {
  herbicide: string;
  reasons: Reason[];
}

/** A treatment that is not used, and every rule that speaks against it. */
export interface TreatmentExclusion {
  treatment: string;
  reasons: Reason[];
}
