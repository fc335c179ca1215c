// The package ships its types as source that our stricter compiler settings refuse; `constrain.d.mts` says what is used of it.
export { default } from '@kninnug/constrainautor';
