import { inUnit } from '@fomrik/core/units';
import { useView } from '../store/view';

/** Puts lengths within words in the unit the maker has chosen. */
export function useSaid(): (words: string) => string {
  const unit = useView((v) => v.unit);
  return (words) => inUnit(words, unit);
}

/** Words with their lengths in the unit the maker has chosen. */
export function Said({ words }: { words: string }) {
  return <>{useSaid()(words)}</>;
}
