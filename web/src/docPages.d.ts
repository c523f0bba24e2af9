declare module "*.md?page" {
  const page: import("./features/guide/page").DocPage;
  export default page;
}
