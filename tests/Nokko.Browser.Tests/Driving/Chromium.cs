using System.Collections.Concurrent;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

namespace Nokko.Driving;

/// <summary>A process of Chromium with its driver and its profile.</summary>
internal sealed class Chromium
{
    /// <summary>Those that nobody uses.</summary>
    public static readonly ConcurrentBag<Chromium> Idle = [];

    private readonly string[] _told;

    public ChromeDriver Driver { get; }

    public string Profile { get; }

    static Chromium() =>
        AppDomain.CurrentDomain.ProcessExit += (_, _) => Parallel.ForEach(Idle, c => c.Quit());

    public Chromium()
        : this(Directory.CreateTempSubdirectory("nokko-profile").FullName) { }

    /// <summary>Starts it with what an earlier one kept.</summary>
    /// <param name="profile">Where it keeps it.</param>
    /// <param name="also">What else it is told; such a one is not used again.</param>
    public Chromium(string profile, params string[] also)
    {
        Profile = profile;
        _told = also;
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new",
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--disable-dev-shm-usage",
            // Nobody looks on: a transition is only frames to paint.
            "--force-prefers-reduced-motion",
            "--lang=en-GB",
            $"--user-data-dir={profile}"
        );
        options.AddArguments(also);
        options.AddUserProfilePreference(
            "download.default_directory",
            Path.Combine(profile, "downloads")
        );
        var service = ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver");
        service.SuppressInitialDiagnosticInformation = true;
        Driver = new ChromeDriver(service, options);
    }

    /// <summary>Forgets who was signed in, what was kept and how it looked; the next one starts in a new tab.</summary>
    /// <param name="origins">Where it has been.</param>
    public void Return(IEnumerable<string> origins)
    {
        if (_told.Length > 0)
        {
            Quit();
            return;
        }
        try
        {
            var used = Driver.WindowHandles;
            Driver.SwitchTo().NewWindow(WindowType.Tab);
            var empty = Driver.CurrentWindowHandle;
            foreach (var tab in used)
            {
                Driver.SwitchTo().Window(tab);
                Driver.Close();
            }
            Driver.SwitchTo().Window(empty);
            Driver.ExecuteCdpCommand("Network.clearBrowserCookies", []);
            foreach (var origin in origins)
            {
                Driver.ExecuteCdpCommand(
                    "Storage.clearDataForOrigin",
                    new Dictionary<string, object?>
                    {
                        ["origin"] = origin,
                        // The program itself may stay, as it does on a device that comes again.
                        ["storageTypes"] = "local_storage,indexeddb",
                    }
                );
            }
            if (Directory.Exists(Path.Combine(Profile, "downloads")))
            {
                Directory.Delete(Path.Combine(Profile, "downloads"), recursive: true);
            }
            Idle.Add(this);
        }
        catch (WebDriverException)
        {
            Quit();
        }
    }

    private void Quit()
    {
        Driver.Quit();
        Driver.Dispose();
        Directory.Delete(Profile, recursive: true);
    }
}
