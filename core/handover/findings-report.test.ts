import { findIn } from '../rules/finder.ts';
import { plainStyle } from '../style/shipped.ts';
import { caption } from '../model/caption.ts';
import { findingsReport } from './findings-report.ts';

it('has a line for each finding and each that was let be, as RFC 4180 has it', () => {
  const captions = [
    caption({ id: 'a', start: 1000, end: 1500, text: '=He said "wait",\nand so on.' }),
    caption({
      id: 'b',
      start: 4000,
      end: 4300,
      text: 'Wait.',
      letBe: [{ rule: 'too-short', reason: 'a shout, short', figure: 300 }],
    }),
  ];
  const found = findIn(captions, { style: plainStyle, rate: { numerator: 25, denominator: 1 }, length: null });
  const report = findingsReport(captions, (id) => found.byCaption.get(id) ?? []);
  expect(report.split('\r\n')).toEqual([
    'caption,start,end,text,finding,weight,figure,limit,message,let be because',
    `1,00:00:01.000,00:00:01.500,"'=He said ""wait"",\nand so on.",One line is enough,should,27,38,27 characters fit on one line of 38.,`,
    `1,00:00:01.000,00:00:01.500,"'=He said ""wait"",\nand so on.",Too fast to read,must,52,20,26 characters in 0.50 s = 52.0 cps; limit 20. Needs 1.30 s.,`,
    `1,00:00:01.000,00:00:01.500,"'=He said ""wait"",\nand so on.",On screen too briefly,must,500,1000,On screen for 0.50 s; shortest 1.00 s.,`,
    '2,00:00:04.000,00:00:04.300,Wait.,Above target speed,should,16.67,15,"16.7 cps is above the target of 15, within the limit of 20.",',
    '2,00:00:04.000,00:00:04.300,Wait.,On screen too briefly,let be,300,,,"a shout, short"',
    '',
  ]);
});
