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
    // What has the focus may have a use of its own for a key: a point of an outline is deleted, not what is selected.
    { useKey: true, preventDefault: true, ignoreEventWhen: (event) => event.defaultPrevented },
    [id, navigate],
  );
}
