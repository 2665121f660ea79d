export const hesitations: ReadonlySet<string> = new Set(['um', 'umm', 'uhm', 'uh', 'uhh', 'er', 'erm']);
