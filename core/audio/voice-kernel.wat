;; The sums of the network of voices, four rows of weights and four columns at a time, in 32-bit floats.
;; Made into voice-kernel.ts by scripts/make-voice-kernel.mjs.
(module
  (import "sound" "memory" (memory 1))
  ;; Writes, for every row, its bias and the sum of its weights times the values.
  ;; Rows and columns are multiples of four; the rest are places in memory, in bytes.
  (func (export "say")
    (param $weights i32) (param $values i32) (param $biases i32) (param $into i32) (param $rows i32) (param $columns i32)
    (local $a v128) (local $b v128) (local $c v128) (local $d v128) (local $x v128)
    (local $wide i32) (local $v i32) (local $end i32) (local $second i32) (local $third i32) (local $fourth i32)
    (local.set $wide (i32.shl (local.get $columns) (i32.const 2)))
    (local.set $end (i32.add (local.get $values) (local.get $wide)))
    (block $done
      (loop $rows4
        (br_if $done (i32.le_s (local.get $rows) (i32.const 0)))
        (local.set $a (v128.const f32x4 0 0 0 0))
        (local.set $b (v128.const f32x4 0 0 0 0))
        (local.set $c (v128.const f32x4 0 0 0 0))
        (local.set $d (v128.const f32x4 0 0 0 0))
        (local.set $v (local.get $values))
        (local.set $second (i32.add (local.get $weights) (local.get $wide)))
        (local.set $third (i32.add (local.get $second) (local.get $wide)))
        (local.set $fourth (i32.add (local.get $third) (local.get $wide)))
        (loop $columns4
          (local.set $x (v128.load (local.get $v)))
          (local.set $a (f32x4.add (local.get $a) (f32x4.mul (local.get $x) (v128.load (local.get $weights)))))
          (local.set $b (f32x4.add (local.get $b) (f32x4.mul (local.get $x) (v128.load (local.get $second)))))
          (local.set $c (f32x4.add (local.get $c) (f32x4.mul (local.get $x) (v128.load (local.get $third)))))
          (local.set $d (f32x4.add (local.get $d) (f32x4.mul (local.get $x) (v128.load (local.get $fourth)))))
          (local.set $weights (i32.add (local.get $weights) (i32.const 16)))
          (local.set $second (i32.add (local.get $second) (i32.const 16)))
          (local.set $third (i32.add (local.get $third) (i32.const 16)))
          (local.set $fourth (i32.add (local.get $fourth) (i32.const 16)))
          (local.set $v (i32.add (local.get $v) (i32.const 16)))
          (br_if $columns4 (i32.lt_u (local.get $v) (local.get $end))))
        (f32.store offset=0 (local.get $into) (f32.add (f32.load offset=0 (local.get $biases)) (call $sum (local.get $a))))
        (f32.store offset=4 (local.get $into) (f32.add (f32.load offset=4 (local.get $biases)) (call $sum (local.get $b))))
        (f32.store offset=8 (local.get $into) (f32.add (f32.load offset=8 (local.get $biases)) (call $sum (local.get $c))))
        (f32.store offset=12 (local.get $into) (f32.add (f32.load offset=12 (local.get $biases)) (call $sum (local.get $d))))
        (local.set $weights (local.get $fourth))
        (local.set $biases (i32.add (local.get $biases) (i32.const 16)))
        (local.set $into (i32.add (local.get $into) (i32.const 16)))
        (local.set $rows (i32.sub (local.get $rows) (i32.const 4)))
        (br $rows4))))
  (func $sum (param $x v128) (result f32)
    (f32.add
      (f32.add (f32x4.extract_lane 0 (local.get $x)) (f32x4.extract_lane 1 (local.get $x)))
      (f32.add (f32x4.extract_lane 2 (local.get $x)) (f32x4.extract_lane 3 (local.get $x))))))
