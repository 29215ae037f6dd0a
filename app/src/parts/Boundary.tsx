/** Keeps a fault of one thing to that thing: what else is on the screen stays. */

import { Component, type ReactNode } from "react";

interface Props {
  readonly fallback: ReactNode;
  readonly children: ReactNode;
}

export class Boundary extends Component<Props, { readonly hasFailed: boolean }> {
  override state = { hasFailed: false };

  static getDerivedStateFromError(): { hasFailed: boolean } {
    return { hasFailed: true };
  }

  override render(): ReactNode {
    return this.state.hasFailed ? this.props.fallback : this.props.children;
  }
}
