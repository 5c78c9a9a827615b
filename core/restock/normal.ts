import { errorFunction } from 'simple-statistics';

/* Coefficients of the rational approximations, highest power first. */
const CENTRE_TOP = [
  2509.0809287301227, 33430.57558358813, 67265.7709270087, 45921.95393154987, 13731.69376550946,
  1971.5909503065513, 133.14166789178438, 3.3871328727963665,
];
const CENTRE_BOTTOM = [
  5226.495278852546, 28729.085735721943, 39307.89580009271, 21213.794301586597, 5394.196021424751,
  687.1870074920579, 42.31333070160091, 1,
];
const NEAR_TOP = [
  0.0007745450142783414, 0.022723844989269184, 0.2417807251774506, 1.2704582524523684,
  3.6478483247632045, 5.769497221460691, 4.630337846156546, 1.4234371107496835,
];
const NEAR_BOTTOM = [
  1.0507500716444169e-9, 0.0005475938084995345, 0.015198666563616457, 0.14810397642748008,
  0.6897673349851, 1.6763848301838038, 2.053191626637759, 1,
];
const FAR_TOP = [
  2.0103343992922881e-7, 0.000027115555687434876, 0.0012426609473880784, 0.026532189526576124,
  0.29656057182850487, 1.7848265399172913, 5.463784911164114, 6.657904643501103,
];
const FAR_BOTTOM = [
  2.0442631033899397e-15, 1.421511758316446e-7, 0.000018463183175100548, 0.0007868691311456133,
  0.014875361290850615, 0.1369298809227358, 0.599832206555888, 1,
];

/**
 * The quantile z of the standard normal distribution, to about 16 digits.
 * @param share above 0 and below 1
 * @see Wichura, "Algorithm AS 241", Applied Statistics, 1988
 */
export function normalQuantile(share: number): number {
  const q = share - 0.5;
  if (Math.abs(q) <= 0.425) {
    const r = 0.180625 - q * q;
    return (q * polynomial(CENTRE_TOP, r)) / polynomial(CENTRE_BOTTOM, r);
  }
  const r = Math.sqrt(-Math.log(q < 0 ? share : 1 - share));
  const size =
    r <= 5
      ? polynomial(NEAR_TOP, r - 1.6) / polynomial(NEAR_BOTTOM, r - 1.6)
      : polynomial(FAR_TOP, r - 5) / polynomial(FAR_BOTTOM, r - 5);
  return q < 0 ? -size : size;
}

function polynomial(coefficients: readonly number[], x: number): number {
  return coefficients.reduce((sum, coefficient) => sum * x + coefficient, 0);
}

/** The density of the standard normal distribution. */
export function normalDensity(z: number): number {
  return Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI);
}

/** The share of the standard normal distribution up to z, to about 7 digits. */
export function normalCumulative(z: number): number {
  return (1 + errorFunction(z / Math.SQRT2)) / 2;
}
