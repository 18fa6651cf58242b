/** Stands in for a font file. */
export default 1;
