import { rows, type PublishedProfile } from './profile.js';

const manual = 'AISC Steel Construction Manual, part 1';

/** Units of inches. */
export const american: readonly PublishedProfile[] = [
  ...rows(manual, 'A Iy Wely Wply Iz Welz Wplz It Iw', {
    W8X31: '9.13 110 27.5 30.4 37.1 9.27 14.1 0.536 530',
    W14X90: '26.5 999 143 157 362 49.9 75.6 4.06 16000',
    W18X50: '14.7 800 88.9 101 40.1 10.7 16.6 1.24 3040',
    W24X76: '22.4 2100 176 200 82.5 18.4 28.6 2.68 11100',
    W36X150: '44.3 9040 504 581 270 45.1 70.9 10.1 82200',
    'C8X11.5': '3.37 32.5 8.14 9.63 1.31 0.775 1.57 0.130 16.5',
    C15X50: '14.7 404 53.8 68.5 11.0 3.77 8.14 2.65 492',
    'HSS6X6X1/4': '5.24 28.6 9.54 11.2 28.6 9.54 11.2 45.6 –',
    'HSS8X4X3/8': '7.58 58.7 14.7 18.8 19.6 9.80 11.5 – –',
    'HSS6.625X0.280': '5.20 26.4 7.96 10.5 26.4 7.96 10.5 52.7 –',
  }),
  ...rows(manual, 'A Iz It', { WT7X45: '13.2 181 2.03' }),
  ...rows(manual, 'A Iy Wely iv cz It', { 'L4X4X1/2': '3.75 5.52 1.96 0.776 1.18 0.322' }),
  ...rows(manual, 'A Iy Wely Iz iv', { 'L6X4X1/2': '4.75 17.3 4.31 6.22 0.864' }),
];
