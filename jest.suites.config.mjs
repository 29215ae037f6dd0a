/** The same unit tests as by jest.config.mjs, gathered: what `npm test` runs. */
import base from "./jest.config.mjs";
import { SUITES_FOLDER, writeSuites } from "./tools/suites.mjs";

const alone = writeSuites();

export default {
  ...base,
  projects: base.projects.map((project) => {
    const own = alone[project.displayName];
    if (own === undefined) return project;
    return { ...project, testMatch: [`${SUITES_FOLDER}/${project.displayName}/*.test.ts`, ...own].map((path) => `<rootDir>/${path}`) };
  }),
};
