/** What the checker says of an application: over a limit, or worth a second look. */
export interface CheckFinding {
  /** Name of the rule; the app words it. */
  rule:
    | 'rate-over-label'
    | 'rate-over-grass-cap'
    | 'year-amount'
    | 'year-count'
    | 'interval'
    | 'active-per-application'
    | 'active-year'
    | 'active-count'
    | 'active-interval'
    | 'turf-not-tolerant'
    | 'turf-caution'
    | 'too-hot'
    | 'too-cold'
    | 'no-herbicide-heat'
    | 'wind'
    | 'drought'
    | 'not-for-home-lawns'
    | 'label-unconfirmed'
    | 'licence-needed'
    | 'seed-too-soon'
    | 'seedlings-too-young'
    | 'nitrogen-per-application'
    | 'nitrogen-year'
    | 'nitrogen-heat'
    | 'seed-soil'
    | 'area-over-zone'
    | 'read-the-label'
    | 'amount-once'
    | 'amendment-year'
    | 'rotation'
    | 'bloom'
    | 'rain'
    | 'wet-leaf'
    | 'frozen'
    | 'saturated'
    | 'pace'
    | 'blackout'
    | 'phosphorus'
    | 'ordinance-nitrogen';
  severity: 'exceeds' | 'caution';
  /** Material it is about, by slug; `null` for the walk as a whole. */
  material: string | null;
  inputs: Record<string, string | number>;
}
