import "./trusted.js";
import "@fontsource-variable/ysabeau-office/wght.css";
import "@fontsource/barlow-semi-condensed/latin-500.css";
import "@fontsource/barlow-semi-condensed/latin-600.css";
import "./theme.css";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { ThemeProvider } from "@mui/material/styles";
import { StrictMode, type ComponentType } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter } from "react-router";
import { RouterProvider } from "react-router/dom";
import { LearnProvider } from "./compute/LearnProvider.js";
import { startWorkers } from "./compute/client.js";
import { Frame } from "./parts/Frame.js";
import { Problem } from "./parts/Problem.js";
import { startBeat } from "./store/beat.js";
import { boot } from "./store/boot.js";
import { LogProvider } from "./store/LogProvider.js";
import { readBookEarly, ShopProvider } from "./store/ShopProvider.js";
import { theme } from "./theme.js";
import { VIEW_LIST, type ViewName } from "./views.js";

/** The page of each view, loaded when it is gone to. */
const PAGES = {
  rack: async () => (await import("./features/rack/index.js")).RackPage,
  newPiece: async () => (await import("./features/newPiece/index.js")).NewPiecePage,
  ways: async () => (await import("./features/ways/index.js")).WaysPage,
  card: async () => (await import("./features/card/index.js")).CardPage,
  measure: async () => (await import("./features/newPiece/index.js")).MeasurePage,
  bench: async () => (await import("./features/bench/index.js")).BenchPage,
  fileTest: async () => (await import("./features/fileTest/index.js")).FileTestPage,
  why: async () => (await import("./features/why/index.js")).WhyPage,
  kit: async () => (await import("./features/kit/index.js")).KitPage,
  bath: async () => (await import("./features/kit/index.js")).BathPage,
  book: async () => (await import("./features/book/index.js")).BookPage,
  record: async () => (await import("./features/book/index.js")).RecordPage,
} as const satisfies Record<ViewName, () => Promise<ComponentType>>;

/** The first screen is drawn by then, ms. */
const RACK_FIRST_ms = 800;

const router = createBrowserRouter([
  {
    path: "/",
    element: (
      <ShopProvider>
        <LogProvider>
          <LearnProvider>
            <Frame />
          </LearnProvider>
        </LogProvider>
      </ShopProvider>
    ),
    errorElement: <Problem />,
    hydrateFallbackElement: <div />,
    children: [
      ...VIEW_LIST.map(({ name, path }) => ({
        ...(path === "" ? { index: true as const } : { path }),
        lazy: async () => ({ Component: await PAGES[name]() }),
      })),
      { path: "*", element: <Problem /> },
    ],
  },
]);

readBookEarly();
// Where a verdict is wanted at once its workers load beside the page; a rack is drawn first.
if (location.pathname.startsWith("/piece/")) startWorkers();
else setTimeout(startWorkers, RACK_FIRST_ms);

startBeat(new Worker(new URL("./store/beat.worker.ts", import.meta.url), { type: "module" }));

const queries = new QueryClient();

void boot();

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <ThemeProvider theme={theme}>
        <RouterProvider router={router} />
      </ThemeProvider>
    </QueryClientProvider>
  </StrictMode>,
);
