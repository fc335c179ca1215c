export { notHis } from './mayChange';
export { withItsMoney, withoutMoney } from './money';
export {
  narrower,
  OFFICE_RIGHTS,
  RIGHTS,
  rightsOf,
  ROLES,
  ROLE_SAYS,
  ROLE_WORDS,
  type Right,
  type Role,
} from './roles';
