/** Every form of the product, as the schema that browser and server both check, by place. */
export * from './courses';
export { FORM_LIMITS } from './limits';
export * from './people';
export * from './plans';
export * from './rulebook';
export * from './series';
export * from './signin';
export * from './staff';
export * from './studio';
export * from './teach';
export * from './techniques';
