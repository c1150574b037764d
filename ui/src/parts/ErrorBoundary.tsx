import { Button } from "./Button";
import { Component, type ReactNode } from "react";

interface Props {
  children: ReactNode;
}

/** Stands round a screen: where it breaks, the rest of the program stays, and it can be tried again. */
export class ErrorBoundary extends Component<Props, { broken: boolean }> {
  state = { broken: false };

  static getDerivedStateFromError() {
    return { broken: true };
  }

  render() {
    if (!this.state.broken) return this.props.children;
    return (
      <div role="alert" className="p-8">
        <h1 className="text-xl font-bold">Something went wrong on this screen</h1>
        <p className="mt-2 text-lg">Nothing that was kept is lost. The other screens work.</p>
        <Button onClick={() => this.setState({ broken: false })} look="filled" size="large" className="mt-4">
          Try it again
        </Button>
      </div>
    );
  }
}
