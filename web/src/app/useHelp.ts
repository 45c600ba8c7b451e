import { useSearchParams } from 'react-router';

/** Whether the help is open, as the address says, and a way to open or close it. */
export function useHelp(): [boolean, (isOpen: boolean) => void] {
  const [search, setSearch] = useSearchParams();
  function setOpen(isOpen: boolean) {
    const changed = new URLSearchParams(search);
    if (isOpen) changed.set('help', '1');
    else changed.delete('help');
    setSearch(changed, { replace: true });
  }
  return [search.has('help'), setOpen];
}
