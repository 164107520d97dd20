export * from './modulus';
