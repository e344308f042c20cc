/**
 * Stands where the library that writes PDF asks for what no sheet needs: reading HTML and SVG, colours by name, forms, fonts
 * packed as WOFF2. Which they are stands in `vite.config.ts`. Whoever comes to need one takes it out of that list.
 */
function leftOut(): never {
  throw new Error('This part of the PDF writer was left out of the build: see LEFT_OUT in vite.config.ts.');
}

export const parse = leftOut;
export const encode = leftOut;
export const converter = () => leftOut;
export const NodeType = {};
export default leftOut;
