/**
 * English. The principle, after the Captioning Key of the Described and Captioned Media Program (text,
 * line division; from memory): do not part a modifier from what it modifies, a preposition from its
 * phrase, a first name from a last, a title from a name, an auxiliary from its verb, a conjunction from
 * what it introduces.
 */
import { setOf, type PhraseTable } from '../data/phrase-table.ts';

export const phrases: PhraseTable = {
  determiners: setOf(
    `a an the this these those my your his her its our their some any no every each another either neither
    which what whose both all few many several much more most such half enough other own same next last first second third`,
  ),
  prepositions: setOf(
    `of in on at by for with from to into onto upon within without through throughout across along around about
    above below beneath under over between among behind beside besides beyond near against toward towards via per during
    despite except inside outside off past than like as`,
  ),
  auxiliaries: setOf(
    `is are was were am be been being have has had having do does did will would shall should can could may might must
    i'm you're he's she's it's we're they're i've you've we've they've i'll you'll he'll she'll it'll we'll they'll
    i'd you'd he'd she'd we'd they'd there's that's who's what's let's gonna ought`,
  ),
  negations: setOf(
    `not never don't doesn't didn't isn't aren't wasn't weren't won't wouldn't can't cannot couldn't shouldn't haven't
    hasn't hadn't mustn't needn't ain't`,
  ),
  conjunctions: setOf(
    `and but or nor so yet because although though unless until while whereas if when whenever where wherever who whom
    that since before after once whether why how`,
  ),
  subjects: setOf('i he she we they'),
  intensifiers: setOf('very too so quite rather really fairly almost nearly more most less least even just only'),
  adjectives: setOf(
    `big small little large long short old new young good bad high low great hot cold warm cool deep dark light heavy
    wet dry open shut full empty fast slow early late hard soft strong weak right left wrong whole main lower upper
    red green blue black white yellow brown grey gray clear clean dirty rich poor free safe real true false able
    best better worst worse bigger smaller larger longer shorter higher lower older newer younger`,
  ),
  adjectiveEndings: /(?:ful|less|ous|ive|able|ible|ish|ical|ic|esque)$/,
  titles: setOf('mr mrs ms miss mx dr prof professor sir dame lord lady captain major colonel sergeant saint st'),
  units: setOf(
    `second seconds minute minutes hour hours day days week weeks month months year years metre metres meter meters
    kilometre kilometres kilometer kilometers mile miles foot feet inch inches yard yards ton tons tonne tonnes kilo kilos
    gram grams litre litres liter liters degree degrees percent per cent pound pounds euro euros dollar dollars pence
    o'clock am pm a.m p.m times turn turns`,
  ),
  numbers: setOf(
    `one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen
    nineteen twenty thirty forty fifty sixty seventy eighty ninety hundred thousand million billion half quarter dozen`,
  ),
  pronouns: setOf('it you me him us them this that these those which what whose who whom'),
  counted: setOf('other others more such extra last next first second third full whole half'),
};
