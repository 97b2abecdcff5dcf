import { Component, type ReactNode } from 'react';

/** When three dimensions fail for any reason, the drawn view is always there. */
export class Fallback extends Component<
  { readonly onLost: () => void; readonly children: ReactNode },
  { readonly lost: boolean }
> {
  override state = { lost: false };
  static getDerivedStateFromError(): { lost: boolean } {
    return { lost: true };
  }
  override componentDidCatch(): void {
    this.props.onLost();
  }
  override render(): ReactNode {
    return this.state.lost ? null : this.props.children;
  }
}
