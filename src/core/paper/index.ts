/** What is printed: a lesson plan, a handout and a course, each as one document that paper, PDF and Markdown are made from. */
export * from './sheet';
export * from './coursePage';
