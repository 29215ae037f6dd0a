/** Of a file and of the database. 1: the first. 2: the kit, in the database alone. 3: reasons as codes, no stored way. */
export const BOOK_VERSION = 3;
