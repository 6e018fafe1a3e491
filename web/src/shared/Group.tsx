import type { ReactNode } from 'react';
import styles from './group.module.css';

/** A named group of a list, with how many it holds; its name stands in the margin where there is one. */
export const Group = ({
  name,
  count,
  onPaper = true,
  children,
}: {
  name: string;
  count: number;
  onPaper?: boolean;
  children: ReactNode;
}) => (
  <section className={`${styles.group} ${onPaper ? '' : 'no-print'}`} aria-label={name}>
    <div className={styles.groupName}>
      <h2>{name}</h2>
      <b>{count}</b>
    </div>
    <ul>{children}</ul>
  </section>
);
