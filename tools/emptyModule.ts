/** Stands for style sheets in unit tests. */
export default {};
