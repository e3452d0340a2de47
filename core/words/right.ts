/** What is often believed otherwise, said where its subject is shown. Figures: 1 / |a - b| seconds a frame for two rates. */
export const WHAT_IS_RIGHT = {
  rates:
    'A strict input wants raster, scan and the exact rate. 29.97 beside 30 slips a frame every 33.4\u00A0s, 23.98 beside 24 every 41.7\u00A0s. An HD switcher makes no 1080 of a 2160 source: the source\u2019s own output or a converter does.',
  soundDelay:
    'One microphone lies under all pictures. Where two of them are not equally late, no delay of sound serves both: hold back the faster picture to the slower, then the sound to both.',
  decoder:
    'What a network decoder shows is the same picture, but later by encoding, network and decoding: not for a screen in the room of the show.',
  radio:
    'SDI plugs make the wired part firm, not the air: a picture by radio may drop, and a wired one stands beside it as the safe shot.',
  network:
    '100\u00A0m in all, patch leads counted, with power or without. Beyond it a switch, a fibre or an extender goes between.',
} as const
