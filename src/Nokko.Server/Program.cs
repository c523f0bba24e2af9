using Nokko.Server.Demo;
using Nokko.Server.Hosting;

var app = Composition.Build(args);
if (app.Configuration["openapi"] is { } file)
{
    await Composition.WriteOpenApi(app, file);
    return;
}
await Seeding.Prepare(app);
await app.RunAsync();

/// <summary>The entry point, named so that tests can host it.</summary>
public partial class Program;
