import { whatIsWritten } from './judged.ts';

// The first article of the Universal Declaration of Human Rights, as the United Nations publish it.
const english =
  'All human beings are born free and equal in dignity and rights. They are endowed with reason and conscience and should act towards one another in a spirit of brotherhood.';
const hindi =
  'सभी मनुष्यों को गौरव और अधिकारों के मामले में जन्मजात स्वतन्त्रता और समानता प्राप्त है। उन्हें बुद्धि और अन्तरात्मा की देन प्राप्त है और परस्पर उन्हें भाईचारे के भाव से बर्ताव करना चाहिए।';
const raw = english.toLowerCase().replace(/\./g, '');

describe('what a text can be judged by', () => {
  it('is all of it where somebody wrote it, in any script', () => {
    for (const text of [
      english,
      hindi,
      '“Stop!” she said. Are you there? Yes; I am here, and so are the others. '.repeat(3),
    ])
      expect(whatIsWritten([text])).toEqual({ capitals: true, ends: true });
  });
  it('is nothing where a machine left out capitals and signs, whatever it made of “I”', () => {
    expect(whatIsWritten([raw])).toEqual({ capitals: false, ends: false });
    expect(whatIsWritten([`${raw} and I think I'm here`])).toEqual({ capitals: false, ends: false });
  });
  it('is one without the other', () => {
    expect(whatIsWritten([english.toLowerCase()])).toEqual({ capitals: false, ends: true });
    expect(whatIsWritten([english.replace(/\./g, '')])).toEqual({ capitals: true, ends: false });
  });
  it('is not doubted of a few words', () => {
    expect(whatIsWritten(['the gate', 'is shut'])).toEqual({ capitals: true, ends: true });
    expect(whatIsWritten([])).toEqual({ capitals: true, ends: true });
  });
});
