/** The commands of `fenwix` by name. The same core as the web's does the work. */
import { formats, writable } from '../core/formats/registry.ts';
import { CannotDo } from './arguments.ts';
import { check } from './check.ts';
import { convert } from './convert.ts';
import type { CommandLine, Terminal, ExitStatus } from './terminal.ts';
import { read } from './read.ts';
import { reflow, repair } from './repair.ts';
import { compareTracks } from './compare.ts';
import { place } from './place.ts';
import { regions } from './regions.ts';
import { retime } from './retime.ts';
import { styles } from './styles.ts';
import { own } from '../core/text/own.ts';

const list = (of: readonly { readonly name: string; readonly title: string }[]): string =>
  of.map((f) => `${f.name} (${f.title})`).join(', ');

const help = `fenwix read FILE [--json]        what a caption file holds, and what was fixed while reading it
fenwix convert IN OUT [--to FORMAT]  writes captions in another format, and says what it cannot hold
fenwix check FILE [--json]       what does not meet a house style
fenwix repair IN OUT [--json]    repairs what does not meet a house style, and says what it could not
fenwix reflow IN OUT [--all]     reflows captions that do not meet a house style
fenwix retime IN OUT [--shift MS] [--rate FROM:TO] [--tie A=B] …  moves the times of captions
fenwix place --audio FILE (--text FILE | --captions FILE) --language TAG OUT [--json]
                                 places captions, or a bare text, where their words are said
fenwix compare A B [--json]      how many words of B differ from A, and how far apart captions begin
fenwix regions FILE [--json]     where speech and other sound is in a recording
fenwix styles [NAME] [--json]    the house styles, or one as a file

Reading takes
  --from FORMAT       reads as this format, whatever the file looks like
  --encoding NAME     reads in this encoding, as windows-1252
  --rescue            recovers cues that the rules of WebVTT skip
  --unroll            shows each word of rolling and word-by-word captions once
  --style NAME|FILE   the house style, lecture-38 where none is named
check and repair also take
  --sound FILE        the recording, to hold the captions against what is heard in it
retime takes, in the order they are written
  --shift MS          later by so many ms, earlier where it is negative
  --scale A:B         what lasts A is to last B
  --rate FROM:TO      frame rates: timed for the first, to be played with the second
  --tie A=B           what is at A belongs at B; several in a row make a line
  --borrow FILE       goes by captions of the same recording, in the same or another language
  --through WAY       with --borrow: line, the one that explains the ties, where there is one; or ties
  --cut A-B           a stretch of the recording was taken out
  --recut OLD NEW     as the recording was cut again: its sound before and after
  --snap FPS          begins and ends at pictures
  times are ms or H:MM:SS.mmm
place also takes
  --words FILE        writes when each word is said, as CTM
convert also takes
  --language TAG      the language of the captions, as en-GB
  --leave-out WHAT    notes, labels, or notes,labels
  --positions         writes places on the picture into SRT
  --word-times        writes word times where the format can
  --time-marks        writes the time before each paragraph of a transcript
  --crlf              ends lines as Windows does
  --strict            ends with 1 where something was lost

Read: ${list(formats)}
Written: ${list(writable)}

“-” stands for standard input and output. Ends with 0 when all is fine, 1 for findings that are
left (or, with --strict, for loss), 2 when something could not be done.
`;

const commands: Readonly<Record<string, CommandLine>> = {
  read,
  convert,
  check,
  repair,
  reflow,
  retime,
  place,
  compare: compareTracks,
  regions,
  styles,
};

/** Runs a command line; one that takes its time gives a promise. Whatever cannot be done ends as a sentence and 2. */
export function run(words: readonly string[], terminal: Terminal): ExitStatus | Promise<ExitStatus> {
  const [name = 'help', ...rest] = words;
  const command = own(commands, name);
  if (!command) {
    const asked = name === 'help' || name === '--help';
    (asked ? terminal.say : terminal.mutter)(asked ? help : `“${name}” is not a command.\n${help}`);
    return asked ? 0 : 2;
  }
  const failed = (error: unknown): ExitStatus => {
    if (!(error instanceof CannotDo)) throw error;
    terminal.mutter(`${error.message}\n`);
    return 2;
  };
  try {
    const ending = command(rest, terminal);
    return ending instanceof Promise ? ending.catch(failed) : ending;
  } catch (error) {
    return failed(error);
  }
}
