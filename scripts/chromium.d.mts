export const CHROMIUM: string;
export const CHROMIUM_BARE: string;
