(module
  (memory (import "env" "memory") 1)
  (func (export "sum") (param $at i32) (param $end i32) (result i64)
    (local $a v128) (local $b v128) (local $c v128) (local $d v128)
    (loop $next
      (local.set $a (i64x2.add (local.get $a) (v128.load (local.get $at))))
      (local.set $b (i64x2.add (local.get $b) (v128.load offset=16 (local.get $at))))
      (local.set $c (i64x2.add (local.get $c) (v128.load offset=32 (local.get $at))))
      (local.set $d (i64x2.add (local.get $d) (v128.load offset=48 (local.get $at))))
      (local.set $at (i32.add (local.get $at) (i32.const 64)))
      (br_if $next (i32.lt_u (local.get $at) (local.get $end))))
    (local.set $a (i64x2.add (i64x2.add (local.get $a) (local.get $b)) (i64x2.add (local.get $c) (local.get $d))))
    (i64.add (i64x2.extract_lane 0 (local.get $a)) (i64x2.extract_lane 1 (local.get $a)))))
