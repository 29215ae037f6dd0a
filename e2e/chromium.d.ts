/** Debian's Chromium as every run of ours starts it. */
export declare const CHROMIUM: {
  executablePath: string;
  args: string[];
};
