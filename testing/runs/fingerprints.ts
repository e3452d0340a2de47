/**
 * What the runs in this folder come to with the demo shows that they are named after: equal on every machine and in every
 * browser. They change when a demo show or the semantics of a run do, and never by themselves.
 */
export const FINGERPRINTS = {
  'kiln-night': 'a692ebcb339e69a5',
  'harbour-robotics-cup': 'b0888c4091964d26',
  'three-hall-science-fair': 'e1972a83b7ea8b59',
} as const
