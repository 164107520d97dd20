export {
  COUPON_EXTRAS,
  COUPON_LIMITS,
  couponClass,
  usualCoupon,
  type CouponClass,
  type CouponExtra,
  type CouponSpec,
} from './couponSpec';
export { type CouponFeature } from './block';
export { layCoupon, type CouponLayout } from './layCoupon';
export { buildCoupon, type CouponMesh } from './buildCoupon';
