<template>
  <section class="page-grid stack-start">
    <h1>This step leads nowhere</h1>
    <p class="soft">There is no page at this address.</p>
    <BButton role="link" variant="primary" to="/classes">Back to your classes</BButton>
  </section>
</template>
