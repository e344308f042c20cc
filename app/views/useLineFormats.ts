import { useEffect, useState } from 'react';
import type { LineFormat } from '../../formats/lines';

/** The formats of a line; they load when files are first wanted, and are none until then. */
export function useLineFormats(): readonly LineFormat[] {
  const [formats, setFormats] = useState<readonly LineFormat[]>([]);
  useEffect(() => {
    let wanted = true;
    void import('../../formats/lines').then(({ LINE_FORMATS }) => {
      if (wanted) setFormats([...LINE_FORMATS].reverse()); // the plainest first
    });
    return () => {
      wanted = false;
    };
  }, []);
  return formats;
}
