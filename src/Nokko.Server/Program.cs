using Nokko.Server.Demo;
using Nokko.Server.Hosting;
using Nokko.Storage;

try
{
    var app = Composition.Build(args);
    if (app.Configuration["openapi"] is { } file)
    {
        await Composition.WriteOpenApi(app, file);
        return 0;
    }
    await Seeding.Prepare(app);
    await app.RunAsync();
    return 0;
}
catch (CannotStartException e)
{
    await Console.Error.WriteLineAsync(e.Message);
    return 1;
}

/// <summary>The entry point, named so that tests can host it.</summary>
public partial class Program;
