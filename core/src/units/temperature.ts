import { quantity, type Quantity } from './quantity';

export type Fahrenheit = Quantity<'degF'>;
export type Celsius = Quantity<'degC'>;

export const fahrenheit = (value: number): Fahrenheit => quantity<'degF'>(value);
export const celsius = (value: number): Celsius => quantity<'degC'>(value);

/** °C → °F (a temperature, not a difference). */
export const toFahrenheit = (t: Celsius): Fahrenheit => fahrenheit(1.8 * t + 32);

/** °F → °C (a temperature, not a difference). */
export const toCelsius = (t: Fahrenheit): Celsius => celsius((t - 32) / 1.8);
