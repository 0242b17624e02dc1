/** What the application's build makes known everywhere. */
declare const ref: typeof import('vue').ref;
declare const shallowRef: typeof import('vue').shallowRef;
declare const computed: typeof import('vue').computed;
declare const readonly: typeof import('vue').readonly;
declare const watch: typeof import('vue').watch;
declare const onScopeDispose: typeof import('vue').onScopeDispose;
