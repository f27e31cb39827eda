/** Everything there is to teach, as one value: what the product ships with and what a studio added. Passed in, never imported as tables. */
export * from './library';
export * from './own';
