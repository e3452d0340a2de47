export * from './papers'
