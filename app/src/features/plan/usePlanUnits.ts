import { FEET_PER_METRE, SQUARE_METRES_PER_SQUARE_FOOT } from '@alfombra/core';
import { useMemo } from 'react';
import { usePreferenceStore } from '@/state/preferenceStore';
import { number, numberText } from '@/ui';

/** Lengths and areas of the plan in the unit the technician measures in; all kept in feet. */
export function usePlanUnits() {
  const unit = usePreferenceStore((state) => state.lengthUnit);
  const metric = unit === 'm';
  return useMemo(() => {
    const digits = metric ? 2 : 1;
    const own = (feet: number) => (metric ? feet / FEET_PER_METRE : feet);
    return {
      unit,
      areaUnit: metric ? 'm²' : 'ft²',
      /** A length, ft, as the digits of the chosen unit. */
      length: (feet: number) => number(own(feet), digits),
      /** The same for a field that it can be changed in. */
      lengthText: (feet: number) => numberText(own(feet), digits),
      /** Feet of a length typed in the chosen unit. */
      toFeet: (typed: number) => (metric ? typed * FEET_PER_METRE : typed),
      /** An area, ft², as the digits of the chosen unit. */
      area: (squareFeet: number) =>
        number(metric ? squareFeet * SQUARE_METRES_PER_SQUARE_FOOT : squareFeet, metric ? 1 : 0),
    };
  }, [unit, metric]);
}
