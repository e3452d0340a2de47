<template><main>hi</main></template>
