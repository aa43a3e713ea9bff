<template>
  <svg viewBox="0 0 178 40" role="img" aria-label="Grammatus" class="word-mark">
    <path class="brace" d="M16 5 C8 5 13 18.5 5 20 C13 21.5 8 35 16 35" />
    <text x="24" y="28">grammatus</text>
    <path class="rule" d="M25 35.5 H152" />
  </svg>
</template>

<style scoped>
.word-mark {
  height: 28px;
  width: auto;
}
.brace,
.rule {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2.6;
  stroke-linecap: round;
}
.rule {
  stroke-width: 1.6;
}
text {
  font:
    600 27px 'Report',
    sans-serif;
  letter-spacing: -0.3px;
  fill: var(--ink);
}
</style>
