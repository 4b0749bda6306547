import { calibration } from '../knowledge';

/** A probe reading against the model on its day. */
export interface ProbeResidual {
  /** Probe daily mean less model, °F. */
  residualF: number;
  /** Spots read. */
  spots: number;
  /** Standard deviation from spot to spot, °F. */
  spotSdF: number;
  /** Days since the first day of the model, for the drifting filter. */
  day: number;
}

/** Variance of a reading, °F²: s²/n + τ². */
export const readingVariance = ({ spots, spotSdF }: Pick<ProbeResidual, 'spots' | 'spotSdF'>) =>
  spotSdF ** 2 / spots + calibration.thermometerVariance;

export interface Bias {
  /** °F to add to the model. */
  biasF: number;
  /** °F². */
  variance: number;
}

export interface FilterStep extends Bias {
  gain: number;
  predictedVariance: number;
  innovation: number;
  /** Innovation in standard deviations; beyond the gate the reading is not taken. */
  z: number;
  accepted: boolean;
}

/**
 * Bias that drifts with the season, by a scalar Kalman filter. A reading beyond the gate is refused
 * (measure again); a second refusal in a row is believed and the variance goes back to the prior's.
 * @param residuals in order of `day`
 */
export function driftingBias(residuals: readonly ProbeResidual[]): FilterStep[] {
  let biasF = 0;
  let variance: number = calibration.priorVariance;
  let day = 0;
  let refused = 0;
  return residuals.map((residual) => {
    let predictedVariance = variance + calibration.driftPerDay * (residual.day - day);
    day = residual.day;
    const noise = readingVariance(residual);
    const innovation = residual.residualF - biasF;
    let spread = predictedVariance + noise;
    const z = innovation / Math.sqrt(spread);
    if (Math.abs(z) > calibration.gateSigma) {
      refused += 1;
      if (refused < 2) {
        variance = predictedVariance;
        return { biasF, variance, gain: 0, predictedVariance, innovation, z, accepted: false };
      }
      predictedVariance = calibration.priorVariance;
      spread = predictedVariance + noise;
    }
    refused = 0;
    const gain = predictedVariance / spread;
    biasF += gain * innovation;
    variance = (1 - gain) * predictedVariance;
    return { biasF, variance, gain, predictedVariance, innovation, z, accepted: true };
  });
}

/** A diurnal soil wave: surface half-range °F, hour of the surface maximum, damping depth in. */
export interface DiurnalWave {
  surfaceHalfRangeF: number;
  surfaceMaximumHour: number;
  dampingDepthIn: number;
}

/**
 * Daily mean from one reading at a clock hour, °F: the reading less the damped diurnal wave.
 * Source: heat conduction in homogeneous soil, van Wijk & de Vries 1963.
 */
export function dailyMeanFromReading(
  readingF: number,
  hour: number,
  depthIn: number,
  wave: DiurnalWave,
): number {
  const phase = depthIn / wave.dampingDepthIn;
  const angle = (2 * Math.PI * (hour - wave.surfaceMaximumHour)) / 24 - phase;
  return readingF - wave.surfaceHalfRangeF * Math.exp(-phase) * Math.cos(angle);
}
