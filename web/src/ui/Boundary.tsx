import { Component, type ReactNode } from 'react';
import { Failed } from './Notice';
import { t } from '../format/words';

interface BoundaryProps {
  children: ReactNode;
}

/** Keeps the rest of the page where a part of it cannot be drawn, and says so. */
export class Boundary extends Component<BoundaryProps, { error: Error | null }> {
  override state: { error: Error | null } = { error: null };

  static getDerivedStateFromError(thrown: unknown) {
    return { error: thrown instanceof Error ? thrown : new Error(String(thrown)) };
  }

  override render() {
    return this.state.error ? (
      <Failed
        title={t('boundary.thisCouldNotBeDrawn')}
        error={this.state.error}
        onRetry={() => this.setState({ error: null })}
      />
    ) : (
      this.props.children
    );
  }
}
