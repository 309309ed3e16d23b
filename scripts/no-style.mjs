// Styles have no say in what a component does.
export default {};
