/** Colours and type of the product. Live and return differ by line and mark as well as by colour. */

export interface Tokens {
  paper: string;
  card: string;
  line: string;
  ink: string;
  mute: string;
  copper: string;
  copperSoft: string;
  onCopper: string;
  teal: string;
  tealSoft: string;
  amber: string;
  amberSoft: string;
  red: string;
  redSoft: string;
  slate: string;
  slateSoft: string;
  /** Air in ducts, on its way out and back. */
  airSupply: string;
  airReturn: string;
  idle: string;
  meter: string;
  meterInk: string;
  meterMute: string;
  scrim: string;
  /** Thickness of drawn lines against the usual. */
  weight: number;
}

export const light: Tokens = {
  paper: '#F3F0E8',
  card: '#FFFDF8',
  line: '#D9D2C3',
  ink: '#1B2422',
  mute: '#5E665F',
  copper: '#9A4A1B',
  copperSoft: '#F3DFD0',
  onCopper: '#FFFDF8',
  teal: '#0E6A63',
  tealSoft: '#D7ECE8',
  amber: '#8A5A00',
  amberSoft: '#FBE9C2',
  red: '#A8231B',
  redSoft: '#F8DEDB',
  slate: '#365A8C',
  slateSoft: '#DFE7F2',
  airSupply: '#ABC2DC',
  airReturn: '#DCCFB2',
  idle: '#F1EEE6',
  meter: '#1B2422',
  meterInk: '#FFFDF8',
  meterMute: '#A7B0AA',
  scrim: 'rgba(20, 25, 26, 0.45)',
  weight: 1,
};

export const dark: Tokens = {
  paper: '#14191A',
  card: '#1D2426',
  line: '#37413F',
  ink: '#ECE8DE',
  mute: '#A7B0AA',
  copper: '#E39055',
  copperSoft: '#3A2A20',
  onCopper: '#1B1410',
  teal: '#58B8AE',
  tealSoft: '#17332F',
  amber: '#E5B64A',
  amberSoft: '#3A2F14',
  red: '#F0776C',
  redSoft: '#3F201D',
  slate: '#8FB0E0',
  slateSoft: '#20304A',
  airSupply: '#2F4A6E',
  airReturn: '#4F442E',
  idle: '#252D2F',
  meter: '#0B0F10',
  meterInk: '#F4F1E9',
  meterMute: '#A7B0AA',
  scrim: 'rgba(0, 0, 0, 0.6)',
  weight: 1,
};

/** For bright sun: black on white, no soft fills, every coloured ink at least 7:1 on white. */
export const glare: Tokens = {
  ...light,
  paper: '#FFFFFF',
  card: '#FFFFFF',
  line: '#000000',
  ink: '#000000',
  mute: '#333333',
  copper: '#6E2F08',
  copperSoft: '#FFFFFF',
  onCopper: '#FFFFFF',
  teal: '#004B45',
  tealSoft: '#FFFFFF',
  amber: '#5C3A00',
  amberSoft: '#FFFFFF',
  red: '#8A0F08',
  redSoft: '#FFFFFF',
  slate: '#1C3F70',
  slateSoft: '#FFFFFF',
  airSupply: '#BFD3EC',
  airReturn: '#E6DABD',
  idle: '#FFFFFF',
  meter: '#000000',
  meterInk: '#FFFFFF',
  meterMute: '#D8D8D8',
  weight: 2,
};

export const FONTS = {
  text: 'Barlow',
  strong: 'Barlow-SemiBold',
  condensed: 'BarlowCondensed-SemiBold',
} as const;

/** Type sizes, px: body, small print that is still read, designations, the reading. */
export const SIZE = { small: 13.5, body: 16, title: 20, mark: 21, reading: 34 } as const;

/** Wide layout from this width on, px. */
export const WIDE = 1000;
