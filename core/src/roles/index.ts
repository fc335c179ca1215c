export { notHis } from './mayChange';
export { withItsMoney, WITHOUT_MONEY, withoutMoney } from './money';
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
