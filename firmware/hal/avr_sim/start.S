; Start-up for a bare 8-bit core: zero register, stack, then (from the compiler's library) data and bss, then main.
  .section .vectors,"ax",@progbits
  jmp start
  .section .init0,"ax",@progbits
start:
  eor r1, r1
  out 0x3f, r1
  ldi r28, lo8(OV_RAM_END)
  ldi r29, hi8(OV_RAM_END)
  out 0x3e, r29
  out 0x3d, r28
  .section .init9,"ax",@progbits
  jmp main
