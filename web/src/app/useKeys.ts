import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { keys } from './keys';

/** The keys of the workshop; letters are left alone while something is being typed. */
export function useKeys(id: string): void {
  const navigate = useNavigate();
  useHotkeys(
    keys.flatMap((k) => k.press ?? []),
    (_event, { hotkey }) =>
      keys
        .find((k) => k.press?.includes(hotkey))
        ?.act?.((station) => void navigate(`/build/${id}/${station}`)),
    { useKey: true, preventDefault: true },
    [id, navigate],
  );
}
