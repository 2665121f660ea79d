/** How French is said: figures, signs and what is written short. */
import { toCardinal, toOrdinal } from 'n2words/fr-FR';
import type { SpokenLanguage } from '../data/spoken-language.ts';

const cardinal = (digits: string): string => toCardinal(BigInt(digits));

export const french: SpokenLanguage = {
  cardinal,
  ordinal: (digits) => (digits === '1' ? 'premier' : toOrdinal(BigInt(digits))),
  years(digits) {
    // Dix-neuf cent quatre-vingts is said beside mille neuf cent quatre-vingts.
    const [century, rest] = [digits.slice(0, 2), digits.slice(2)];
    const plain = cardinal(digits);
    return Number(century) < 20
      ? [plain, `${cardinal(century)} cent${rest === '00' ? '' : ` ${cardinal(rest)}`}`]
      : [plain];
  },
  letter: (letter) => (letter === 'y' ? 'i grec' : letter),
  ordinalEnding: /^(?:er|re|e|ème|eme|nd|nde)$/,
  point: 'virgule',
  decimal: ',',
  minus: 'moins',
  to: 'à',
  signs: {
    '%': 'pour cent',
    '&': 'et',
    '+': 'plus',
    '=': 'égale',
    '°': 'degrés',
    '#': 'dièse',
    '@': 'arobase',
    '×': 'fois',
    '÷': 'divisé par',
    '½': 'un demi',
    '¼': 'un quart',
    '¾': 'trois quarts',
  },
  money: {
    '£': ['livre', 'livres'],
    '€': ['euro', 'euros'],
    $: ['dollar', 'dollars'],
    '¥': ['yen', 'yens'],
  },
  units: {
    mm: ['millimètre', 'millimètres'],
    cm: ['centimètre', 'centimètres'],
    m: ['mètre', 'mètres'],
    km: ['kilomètre', 'kilomètres'],
    g: ['gramme', 'grammes'],
    kg: ['kilo', 'kilos'],
    mg: ['milligramme', 'milligrammes'],
    l: ['litre', 'litres'],
    ml: ['millilitre', 'millilitres'],
    s: ['seconde', 'secondes'],
    ms: ['milliseconde', 'millisecondes'],
    min: ['minute', 'minutes'],
    h: ['heure', 'heures'],
    hz: ['hertz', 'hertz'],
    khz: ['kilohertz', 'kilohertz'],
    mhz: ['mégahertz', 'mégahertz'],
    w: ['watt', 'watts'],
    kw: ['kilowatt', 'kilowatts'],
    kwh: ['kilowatt heure', 'kilowatt heures'],
    v: ['volt', 'volts'],
    'km/h': ['kilomètre heure', 'kilomètres heure'],
    'm/s': ['mètre par seconde', 'mètres par seconde'],
    '°c': ['degré', 'degrés'],
    '°': ['degré', 'degrés'],
    '%': ['pour cent', 'pour cent'],
    ko: ['kilo octet', 'kilo octets'],
    mo: ['méga octet', 'méga octets'],
    go: ['giga octet', 'giga octets'],
  },
  abbreviations: {
    m: ['monsieur'],
    mm: ['messieurs'],
    mme: ['madame'],
    mmes: ['mesdames'],
    mlle: ['mademoiselle'],
    dr: ['docteur'],
    pr: ['professeur'],
    me: ['maître', 'me'],
    st: ['saint'],
    ste: ['sainte'],
    etc: ['et cetera'],
    av: ['avenue', 'avant'],
    bd: ['boulevard'],
    cad: ["c'est à dire"],
    ex: ['exemple', 'ex'],
    env: ['environ'],
    janv: ['janvier'],
    févr: ['février'],
    juil: ['juillet'],
    sept: ['septembre', 'sept'],
    oct: ['octobre'],
    nov: ['novembre'],
    déc: ['décembre'],
  },
  time(hour, minute) {
    const h = `${hour === '1' || hour === '01' ? 'une' : cardinal(hour)} heure${Number(hour) > 1 ? 's' : ''}`;
    return minute === '00' || minute === '' ? [h] : [`${h} ${cardinal(minute)}`];
  },
  address: { '@': 'arobase', '.': 'point', '/': 'slash', '-': 'tiret', _: 'souligné', ':': 'deux points' },
};
