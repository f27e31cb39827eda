/** Units: whole milliseconds, spans of them, and calendar dates without a time zone. */
export * from './millis';
export * from './dates';
export * from './readDay';
export * from './chances';
