import latinBold from '@fontsource/commissioner/files/commissioner-latin-600-normal.woff?url';
import latin from '@fontsource/commissioner/files/commissioner-latin-400-normal.woff?url';
import latinExtBold from '@fontsource/commissioner/files/commissioner-latin-ext-600-normal.woff?url';
import latinExt from '@fontsource/commissioner/files/commissioner-latin-ext-400-normal.woff?url';
import vietnameseBold from '@fontsource/commissioner/files/commissioner-vietnamese-600-normal.woff?url';
import vietnamese from '@fontsource/commissioner/files/commissioner-vietnamese-400-normal.woff?url';
import greekBold from '@fontsource/commissioner/files/commissioner-greek-600-normal.woff?url';
import greek from '@fontsource/commissioner/files/commissioner-greek-400-normal.woff?url';
import cyrillicBold from '@fontsource/commissioner/files/commissioner-cyrillic-600-normal.woff?url';
import cyrillic from '@fontsource/commissioner/files/commissioner-cyrillic-400-normal.woff?url';
import cyrillicExtBold from '@fontsource/commissioner/files/commissioner-cyrillic-ext-600-normal.woff?url';
import cyrillicExt from '@fontsource/commissioner/files/commissioner-cyrillic-ext-400-normal.woff?url';
import type { Alphabet } from '../../formats/sheet/letters';

/** Addresses of the text font's files by alphabet. A paper loads those that it needs. */
export const TEXT_FONTS: Readonly<Record<Alphabet, { readonly regular: string; readonly bold: string }>> = {
  latin: { regular: latin, bold: latinBold },
  'latin-ext': { regular: latinExt, bold: latinExtBold },
  vietnamese: { regular: vietnamese, bold: vietnameseBold },
  greek: { regular: greek, bold: greekBold },
  cyrillic: { regular: cyrillic, bold: cyrillicBold },
  'cyrillic-ext': { regular: cyrillicExt, bold: cyrillicExtBold },
};
