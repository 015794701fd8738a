export { isEmpty } from '@/data/people/isEmpty';
