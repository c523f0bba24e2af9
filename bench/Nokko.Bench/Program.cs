using Nokko.Bench;

switch (args.FirstOrDefault())
{
    case "screenshots":
        await Screenshots.Make();
        break;
    case "bench" when args.ElementAtOrDefault(1) == "fuzz":
        await WireFuzz.Run();
        break;
    case "bench":
        await Measures.Run(
            args.ElementAtOrDefault(1),
            double.Parse(
                args.ElementAtOrDefault(2) ?? "10",
                System.Globalization.CultureInfo.InvariantCulture
            )
        );
        break;
    default:
        Console.Error.WriteLine("Call through ./nokko bench or ./nokko screenshots.");
        return 2;
}
return 0;
