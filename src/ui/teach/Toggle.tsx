import styles from './Teach.module.css';

interface Props {
  readonly on: boolean;
  readonly marked?: boolean;
  readonly onPress: () => void;
  readonly children: React.ReactNode;
}

/** One tap on or off, large enough for a thumb. */
export function Toggle({ on, marked = false, onPress, children }: Props) {
  return (
    <button type="button" className={styles.toggle} aria-pressed={on} data-marked={marked ? '' : undefined} onClick={onPress}>
      {children}
    </button>
  );
}
