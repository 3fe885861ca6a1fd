import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

export default ts.config(
  { ignores: ['dist', 'src/api/schema.d.ts'] },
  ...ts.configs.recommended,
  // Rules that know types are for plain files alone: in components they take long and mistake names.
  ...ts.configs.recommendedTypeCheckedOnly.map((c) => ({ ...c, files: ['src/**/*.ts'] })),
  { files: ['src/**/*.ts'], languageOptions: { parserOptions: { projectService: true } } },
  ...vue.configs['flat/recommended'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-indent': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/attributes-order': 'off',
      'vue/first-attribute-linebreak': 'off',
      'no-undef': 'off',
      'no-console': 'error',
      '@typescript-eslint/no-unnecessary-type-assertion': 'off', // wrong where two libraries' types meet
    },
  },
  { files: ['src/main.ts'], rules: { '@typescript-eslint/no-unsafe-argument': 'off' } }, // a component has no type here
)
