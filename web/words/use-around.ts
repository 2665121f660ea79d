/** What a text surface shows around its text, as the page is now. */
import { useFindings } from '../stores/findings.ts';
import { useJob } from '../stores/job.ts';
import { usePlace } from '../stores/place.ts';
import { usePreferences } from '../stores/preferences.ts';
import { useTimes } from '../stores/times.ts';
import type { Around } from './surface/state.ts';

/** @returns asks for it; null while no job is open. @param reading as it is preferred, unless it is said */
export function useAround(reading?: Around['reading']): () => Around | null {
  const job = useJob();
  const place = usePlace();
  const times = useTimes();
  const findings = useFindings();
  const preferences = usePreferences();
  return () =>
    job.job && {
      style: job.job.style,
      findings: findings.found.byCaption,
      cursor: place.caption?.id ?? null,
      reading: reading ?? preferences.reading,
      clock: times.clock,
      doubtBelow: preferences.doubtBelow,
      keepsProof: preferences.keepsProof,
    };
}
