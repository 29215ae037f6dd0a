import "@fontsource-variable/ysabeau-office/wght.css";
import "@fontsource/barlow-semi-condensed/latin-500.css";
import "@fontsource/barlow-semi-condensed/latin-600.css";
import "./theme.css";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { ThemeProvider } from "@mui/material/styles";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter } from "react-router";
import { RouterProvider } from "react-router/dom";
import { startWorkers } from "./compute/client.js";
import { Frame } from "./parts/Frame.js";
import { Problem } from "./parts/Problem.js";
import { boot } from "./store/boot.js";
import { ShopProvider } from "./store/ShopProvider.js";
import { theme } from "./theme.js";

const router = createBrowserRouter([
  {
    path: "/",
    element: (
      <ShopProvider>
        <Frame />
      </ShopProvider>
    ),
    errorElement: <Problem />,
    hydrateFallbackElement: <div />,
    children: [
      { index: true, lazy: async () => ({ Component: (await import("./features/rack/index.js")).RackPage }) },
      { path: "new", lazy: async () => ({ Component: (await import("./features/newPiece/index.js")).NewPiecePage }) },
      { path: "piece/:id", lazy: async () => ({ Component: (await import("./features/card/index.js")).CardPage }) },
      { path: "piece/:id/measure", lazy: async () => ({ Component: (await import("./features/newPiece/index.js")).MeasurePage }) },
      { path: "piece/:id/bench", lazy: async () => ({ Component: (await import("./features/bench/index.js")).BenchPage }) },
      { path: "piece/:id/test/:act", lazy: async () => ({ Component: (await import("./features/fileTest/index.js")).FileTestPage }) },
      { path: "kit", lazy: async () => ({ Component: (await import("./features/kit/index.js")).KitPage }) },
      { path: "book", lazy: async () => ({ Component: (await import("./features/book/index.js")).BookPage }) },
      { path: "book/:id", lazy: async () => ({ Component: (await import("./features/book/index.js")).RecordPage }) },
      { path: "*", element: <Problem /> },
    ],
  },
]);

startWorkers();

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
