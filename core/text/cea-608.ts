/**
 * The characters of the North American caption standard, CEA-608 (47 CFR 79.101): the basic set, which is
 * ASCII with ten signs replaced, and the special characters (from memory).
 */
const replaced = new Set("*\\^_`{|}~'");
const added = new Set('áéíóúç÷Ññ█®°½¿™¢£♪àèâêîôû\u2019');

/** The characters of a text that are not among them, each once. A straight apostrophe is shown as a curly one and counts as fine. */
export function notInCea608(text: string): string[] {
  const found = new Set<string>();
  for (const sign of text) {
    if (sign === '\n' || sign === "'" || added.has(sign)) continue;
    const code = sign.charCodeAt(0);
    if (code < 0x20 || code > 0x7e || replaced.has(sign)) found.add(sign);
  }
  return [...found];
}
