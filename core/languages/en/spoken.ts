/** How English is said: figures, signs and what is written short. */
import { toCardinal as american } from 'n2words/en-US';
import { toCardinal as british, toOrdinal } from 'n2words/en-GB';
import type { SpokenLanguage } from '../data/spoken-language.ts';

const cardinal = (digits: string): string => british(BigInt(digits));
const pair = (digits: string): string =>
  digits.startsWith('0') ? `oh ${cardinal(digits.slice(1))}` : cardinal(digits);

export const english: SpokenLanguage = {
  cardinal,
  ordinal: (digits) => toOrdinal(BigInt(digits)),
  years(digits) {
    const [century, rest] = [digits.slice(0, 2), digits.slice(2)];
    const inPairs = `${cardinal(century)} ${rest === '00' ? 'hundred' : pair(rest)}`;
    const plain = [cardinal(digits), american(BigInt(digits))];
    // Two thousand and five; twenty fifteen and two thousand and fifteen are both said.
    return /^20(?:0\d)$/.test(digits) ? [...plain, inPairs] : [inPairs, ...plain];
  },
  // The dictionary names letters with a full stop, since `a` alone is a word.
  letter: (letter) => `${letter}.`,
  ordinalEnding: /^(?:st|nd|rd|th)$/,
  point: 'point',
  decimal: '.',
  minus: 'minus',
  to: 'to',
  signs: {
    '%': 'percent',
    '&': 'and',
    '+': 'plus',
    '=': 'equals',
    '°': 'degrees',
    '#': 'number',
    '@': 'at',
    '×': 'times',
    '÷': 'divided by',
    '½': 'half',
    '¼': 'a quarter',
    '¾': 'three quarters',
  },
  money: {
    '£': ['pound', 'pounds'],
    '€': ['euro', 'euros'],
    $: ['dollar', 'dollars'],
    '¥': ['yen', 'yen'],
  },
  units: {
    mm: ['millimetre', 'millimetres'],
    cm: ['centimetre', 'centimetres'],
    m: ['metre', 'metres'],
    km: ['kilometre', 'kilometres'],
    mi: ['mile', 'miles'],
    ft: ['foot', 'feet'],
    in: ['inch', 'inches'],
    g: ['gram', 'grams'],
    kg: ['kilogram', 'kilograms'],
    mg: ['milligram', 'milligrams'],
    lb: ['pound', 'pounds'],
    lbs: ['pounds', 'pounds'],
    oz: ['ounce', 'ounces'],
    l: ['litre', 'litres'],
    ml: ['millilitre', 'millilitres'],
    s: ['second', 'seconds'],
    ms: ['millisecond', 'milliseconds'],
    min: ['minute', 'minutes'],
    h: ['hour', 'hours'],
    hz: ['hertz', 'hertz'],
    khz: ['kilohertz', 'kilohertz'],
    mhz: ['megahertz', 'megahertz'],
    w: ['watt', 'watts'],
    kw: ['kilowatt', 'kilowatts'],
    kwh: ['kilowatt hour', 'kilowatt hours'],
    v: ['volt', 'volts'],
    mph: ['mile per hour', 'miles per hour'],
    'km/h': ['kilometre per hour', 'kilometres per hour'],
    'm/s': ['metre per second', 'metres per second'],
    '°c': ['degree celsius', 'degrees celsius'],
    '°f': ['degree fahrenheit', 'degrees fahrenheit'],
    '°': ['degree', 'degrees'],
    '%': ['percent', 'percent'],
    k: ['thousand', 'thousand'],
    bn: ['billion', 'billion'],
    kb: ['kilobyte', 'kilobytes'],
    mb: ['megabyte', 'megabytes'],
    gb: ['gigabyte', 'gigabytes'],
    tb: ['terabyte', 'terabytes'],
    pm: ['p. m.', 'p. m.'],
    am: ['a. m.', 'a. m.'],
  },
  abbreviations: {
    mr: ['mister'],
    mrs: ['missus'],
    ms: ['miz'],
    dr: ['doctor'],
    prof: ['professor'],
    st: ['saint', 'street'],
    rd: ['road'],
    ave: ['avenue'],
    no: ['number', 'no'],
    vs: ['versus'],
    etc: ['et cetera'],
    eg: ['e. g.', 'for example'],
    ie: ['i. e.', 'that is'],
    approx: ['approximately'],
    dept: ['department'],
    jr: ['junior'],
    sr: ['senior'],
    fig: ['figure', 'fig'],
    ok: ['okay'],
    jan: ['january', 'jan'],
    feb: ['february'],
    aug: ['august'],
    sept: ['september'],
    oct: ['october'],
    nov: ['november'],
    dec: ['december'],
    am: ['a. m.', 'am'],
    pm: ['p. m.'],
  },
  time(hour, minute) {
    const h = cardinal(hour);
    if (minute === '00') return [`${h} o'clock`, h, `${h} hundred`];
    return [`${h} ${pair(minute)}`];
  },
  address: { '@': 'at', '.': 'dot', '/': 'slash', '-': 'dash', _: 'underscore', ':': 'colon' },
};
