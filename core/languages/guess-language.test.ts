import { describe, expect, it } from '@jest/globals';
import { guessLanguage, languageOfName, languageOfText, otherLanguage } from './guess-language.ts';

describe('the language in a file’s name', () => {
  it.each([
    ['captions.ar.vtt', 'ar'],
    ['talk_en_GB.srt', 'en-GB'],
    ['talk-pt-BR.srt', 'pt-BR'],
    ['talk.zh-Hant.ttml', 'zh-Hant'],
    ['talk.es-419.srt', 'es-419'],
    ['talk.EN.srt', 'en'],
    ['sit-in.srt', null],
    ['captions.vtt', null],
    ['lock.v2.srt', null],
    ['lock.xx.srt', null],
    ['en.srt', null],
    ['', null],
  ])('%s: %s', (name, language) => {
    expect(languageOfName(name)).toBe(language);
  });
});

describe('the language of a text', () => {
  // The first article of the Universal Declaration of Human Rights, as the United Nations publish it.
  it.each([
    [
      'ar',
      'يولد جميع الناس أحرارًا متساوين في الكرامة والحقوق. وقد وهبوا عقلاً وضميرًا وعليهم أن يعامل بعضهم بعضًا بروح الإخاء.',
    ],
    [
      'en',
      'All human beings are born free and equal in dignity and rights. They are endowed with reason and conscience.',
    ],
    [
      'de',
      'Alle Menschen sind frei und gleich an Würde und Rechten geboren. Sie sind mit Vernunft und Gewissen begabt.',
    ],
    [
      'fr',
      'Tous les êtres humains naissent libres et égaux en dignité et en droits. Ils sont doués de raison et de conscience.',
    ],
    [
      'es',
      'Todos los seres humanos nacen libres e iguales en dignidad y derechos y, dotados como están de razón y conciencia.',
    ],
    ['ja', 'すべての人間は、生まれながらにして自由であり、かつ、尊厳と権利とについて平等である。'],
    ['ru', 'Все люди рождаются свободными и равными в своем достоинстве и правах. Они наделены разумом и совестью.'],
  ])('%s', (language, text) => {
    expect(languageOfText(text)?.split('-')[0]).toBe(language);
  });
  it.each(['', 'Go.', '12345 67890 12345 67890 12345'])('%j is not enough to tell', (text) => {
    expect(languageOfText(text)).toBeNull();
  });
});

describe('a text said to be in a language', () => {
  // As above, and in the others as the United Nations publish it.
  const article = {
    en: 'All human beings are born free and equal in dignity and rights. They are endowed with reason and conscience and should act towards one another in a spirit of brotherhood. Everyone is entitled to all the rights and freedoms set forth in this Declaration.',
    hi: 'सभी मनुष्यों को गौरव और अधिकारों के मामले में जन्मजात स्वतन्त्रता और समानता प्राप्त है। उन्हें बुद्धि और अन्तरात्मा की देन प्राप्त है और परस्पर उन्हें भाईचारे के भाव से बर्ताव करना चाहिए।',
    fr: 'Tous les êtres humains naissent libres et égaux en dignité et en droits. Ils sont doués de raison et de conscience et doivent agir les uns envers les autres dans un esprit de fraternité. Chacun peut se prévaloir de tous les droits.',
    de: 'Alle Menschen sind frei und gleich an Würde und Rechten geboren. Sie sind mit Vernunft und Gewissen begabt und sollen einander im Geiste der Brüderlichkeit begegnen. Jeder hat Anspruch auf alle Rechte und Freiheiten.',
  } as const;
  it.each(Object.entries(article))('is in it: %s', (language, text) => {
    expect(otherLanguage(text, `${language}-XX`)).toBeNull();
  });
  it.each([
    ['hi', 'en-GB'],
    ['en', 'fr'],
    ['fr', 'en'],
    ['de', 'cy'],
    ['de', 'hi'],
  ] as const)('is %s and not %s', (is, said) => {
    expect(otherLanguage(article[is], said)?.language.split('-')[0]).toBe(is);
  });
  it('is not doubted of a few words, and less sure the fewer there are', () => {
    expect(otherLanguage('La porte est fermée.', 'en')).toBeNull();
    const sure = (text: string): number => guessLanguage(text)?.sure ?? 0;
    expect(sure(article.fr.slice(0, 60))).toBeLessThan(sure(article.fr));
    expect(sure(article.fr)).toBeLessThanOrEqual(1);
  });
});
