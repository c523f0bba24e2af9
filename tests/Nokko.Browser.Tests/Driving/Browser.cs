using System.Drawing;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Support.UI;

namespace Nokko.Driving;

/// <summary>A real headless Chromium on which nobody is signed in and nothing is kept.</summary>
/// <remarks>To start one takes as long as a short test: what a test is done with is cleaned and used again.</remarks>
public sealed class Browser : IDisposable
{
    private readonly Chromium _chromium;
    private readonly HashSet<string> _origins = [];

    public ChromeDriver Driver => _chromium.Driver;

    public Browser(int width = 1280, int height = 800)
        : this(Chromium.Idle.TryTake(out var idle) ? idle : new Chromium(), width, height) { }

    /// <summary>A device in the network of a shop: it finds the server by its name, and trusts the certificate with this key.</summary>
    /// <param name="server">A server for other devices.</param>
    /// <param name="key">SHA-256 of the certificate's key, base 64.</param>
    /// <param name="width">Width of the page.</param>
    /// <param name="height">Height of the page.</param>
    public static Browser OnAnotherDevice(
        ServerProcess server,
        string key,
        int width = 1280,
        int height = 800
    ) =>
        new(
            new Chromium(
                Directory.CreateTempSubdirectory("nokko-profile").FullName,
                $"--host-resolver-rules=MAP {new Uri(server.Others!).Host} 127.0.0.1",
                $"--ignore-certificate-errors-spki-list={key}"
            ),
            width,
            height
        );

    private Browser(Chromium chromium, int width, int height)
    {
        _chromium = chromium;
        Resize(width, height);
    }

    public string Downloads => Path.Combine(_chromium.Profile, "downloads");

    /// <summary>Size of the page.</summary>
    public (int Width, int Height) Size { get; private set; }

    /// <summary>Sets the size of the page itself, whatever the window adds to it.</summary>
    public void Resize(int width, int height)
    {
        Size = (width, height);
        Driver.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new Dictionary<string, object?>
            {
                ["width"] = width,
                ["height"] = height,
                ["deviceScaleFactor"] = 1,
                ["mobile"] = false,
            }
        );
    }

    /// <summary>Day or night, as the device asks for it.</summary>
    public void Scheme(string scheme) =>
        Driver.ExecuteCdpCommand(
            "Emulation.setEmulatedMedia",
            new Dictionary<string, object?>
            {
                ["features"] = new object[]
                {
                    new Dictionary<string, object>
                    {
                        ["name"] = "prefers-color-scheme",
                        ["value"] = scheme,
                    },
                    new Dictionary<string, object>
                    {
                        ["name"] = "prefers-reduced-motion",
                        ["value"] = "reduce",
                    },
                },
            }
        );

    public void Open(string address)
    {
        _origins.Add(new Uri(address).GetLeftPart(UriPartial.Authority));
        Driver.Navigate().GoToUrl(address);
    }

    /// <summary>Waits until a condition holds.</summary>
    public T Until<T>(Func<ChromeDriver, T> condition, string what, int seconds = 15)
    {
        var wait = new WebDriverWait(
            new SystemClock(),
            Driver,
            TimeSpan.FromSeconds(seconds),
            TimeSpan.FromMilliseconds(120)
        );
        wait.IgnoreExceptionTypes(
            typeof(NoSuchElementException),
            typeof(StaleElementReferenceException),
            typeof(ElementNotInteractableException)
        );
        try
        {
            return wait.Until(_ => condition(Driver));
        }
        catch (WebDriverTimeoutException)
        {
            throw new InvalidOperationException(
                $"Waited in vain for: {what}. The page at {Driver.Url} shows:\n{Body(Driver)}"
            );
        }
    }

    /// <summary>Waits until the page shows a text.</summary>
    public void Sees(string text) =>
        Until(d => Body(d).Contains(text, StringComparison.Ordinal), $"the text “{text}”");

    public string Text => Body(Driver);

    /// <summary>Waits for a field by its label.</summary>
    public IWebElement Field(string label) =>
        Until(
            d =>
                (IWebElement?)
                    d.ExecuteScript(
                        """
                        const [words] = arguments;
                        const label = [...document.querySelectorAll('label[for]')].find(l => l.textContent.replace(/\s+/g, ' ').trim() === words);
                        return label ? document.getElementById(label.htmlFor)
                          : [...document.querySelectorAll('input[aria-label]')].find(i => i.getAttribute('aria-label') === words);
                        """,
                        label
                    ),
            $"a field “{label}”"
        )!;

    /// <summary>Waits for a button or link by its words.</summary>
    public IWebElement Button(string words) =>
        Until(
            d =>
                (IWebElement?)
                    d.ExecuteScript(
                        """
                        const found = document.evaluate(arguments[0], document, null, XPathResult.ORDERED_NODE_SNAPSHOT_TYPE, null);
                        for (let i = 0; i < found.snapshotLength; i++) {
                          const e = found.snapshotItem(i);
                          if (!e.disabled && e.checkVisibility({ visibilityProperty: true })) return e;
                        }
                        return null;
                        """,
                        $"//*[self::button or self::a or self::summary or @role='button'][@aria-label={Quoted(words)} or normalize-space(.)={Quoted(words)}]"
                    ),
            $"a button “{words}”"
        )!;

    /// <summary>How often something was pressed or chosen so far.</summary>
    public int Presses { get; private set; }

    public void Press(string words)
    {
        Presses++;
        Until(
            _ =>
            {
                var button = Button(words);
                Middle(button);
                Driver.ExecuteScript(
                    """
                    const [button] = arguments;
                    window.pressed = false;
                    addEventListener('click', e => { window.pressed = button.contains(e.target); }, { capture: true, once: true });
                    """,
                    button
                );
                button.Click();
                // What moved away under the finger is pressed again; where the page itself was left, it was hit.
                return Driver.ExecuteScript("return window.pressed") is not false;
            },
            $"“{words}” can be pressed"
        );
    }

    /// <summary>Types into a field as a person would.</summary>
    public void Type(string label, string text)
    {
        var field = Field(label);
        Driver.ExecuteScript("arguments[0].scrollIntoView({block:'center'})", field);
        field.SendKeys(Keys.Control + "a");
        field.SendKeys(Keys.Delete);
        field.SendKeys(text);
    }

    /// <summary>Chooses a radio button by what stands beside it.</summary>
    public void Pick(string says)
    {
        Presses++;
        Until(
            d =>
            {
                var label = d.FindElements(By.XPath($"//label[contains(., '{says}')]")).First();
                Middle(label);
                label.Click();
                return label.FindElement(By.TagName("input")).Selected;
            },
            says
        );
    }

    /// <summary>Chooses from a list by keyboard.</summary>
    public void Choose(string label, string option)
    {
        Presses += 2;
        var box = Until(
            d =>
                d.FindElement(
                    By.XPath(
                        $"//*[contains(@class, 'MuiInputLabel-root')][normalize-space(.)={Quoted(label)}]/following-sibling::div//*[@role='combobox']"
                    )
                ),
            $"a list “{label}”"
        );
        Driver.ExecuteScript("arguments[0].scrollIntoView({block:'center'})", box);
        Until(
                d =>
                {
                    // What was stored just now may have taken the key with the focus.
                    if (d.FindElements(By.CssSelector("[role=listbox]")).Count == 0)
                    {
                        box.SendKeys(Keys.Enter);
                    }
                    return d.FindElement(
                        By.XPath($"//li[@role='option'][normalize-space(.)={Quoted(option)}]")
                    );
                },
                $"the option “{option}”"
            )
            .Click();
        Until(
            d => d.FindElements(By.CssSelector("[role=listbox]")).Count == 0,
            "the list is closed"
        );
    }

    /// <summary>Signs in without the page that asks for it.</summary>
    public void SignIn(string address, string name)
    {
        Open($"{address}/icon.svg");
        Driver.ExecuteAsyncScript(
            """
            const [userName, done] = arguments;
            fetch('/api/sign-in', {
              method: 'POST',
              headers: { 'content-type': 'application/json' },
              body: JSON.stringify({ userName, password: 'stance-42' }),
            }).then(done);
            """,
            name
        );
        Open(address);
        SeesYard();
    }

    /// <summary>Signs in as a person does.</summary>
    public void SignInByHand(string address, string name)
    {
        Open(address);
        Type("Name", name);
        Type("Password", "stance-42");
        Press("Sign in");
        SeesYard();
    }

    private void SeesYard() =>
        Until(d => d.FindElements(By.XPath("//h1[.='Yard']")).Count > 0, "the yard is shown");

    /// <summary>Takes the network away from this tab, or gives it back.</summary>
    public void Offline(bool away) => Network(away, 0);

    /// <summary>Makes every answer wait, as in a shop at the end of a long line.</summary>
    public void Slow(int milliseconds) => Network(away: false, milliseconds);

    private void Network(bool away, int latency)
    {
        Driver.ExecuteCdpCommand("Network.enable", []);
        Driver.ExecuteCdpCommand(
            "Network.emulateNetworkConditions",
            new Dictionary<string, object?>
            {
                ["offline"] = away,
                ["latency"] = latency,
                ["downloadThroughput"] = -1,
                ["uploadThroughput"] = -1,
            }
        );
    }

    public void AllSaved() => Sees("✓ All saved");

    public void Shoot(string file)
    {
        // The picture waits for the shipped typeface.
        Driver.ExecuteAsyncScript(
            "const done = arguments[arguments.length-1]; document.fonts.ready.then(() => done())"
        );
        Driver.GetScreenshot().SaveAsFile(file);
    }

    /// <summary>Closes the browser and opens it again with what it kept on the device.</summary>
    public Browser Reopen()
    {
        Driver.Quit();
        Driver.Dispose();
        return new Browser(new Chromium(_chromium.Profile), Size.Width, Size.Height);
    }

    /// <summary>Makes this a device without mouse, held in the hand.</summary>
    public void OnlyTouch()
    {
        Driver.ExecuteCdpCommand(
            "Emulation.setTouchEmulationEnabled",
            new Dictionary<string, object?> { ["enabled"] = true, ["maxTouchPoints"] = 1 }
        );
        Driver.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new Dictionary<string, object?>
            {
                ["width"] = Size.Width,
                ["height"] = Size.Height,
                ["deviceScaleFactor"] = 1,
                ["mobile"] = true,
            }
        );
    }

    /// <summary>Touches a button with a finger.</summary>
    public void Tap(string words) => Tap(() => Button(words), words);

    /// <summary>Touches what is found with a finger, once it stands still under it.</summary>
    public void Tap(Func<IWebElement> find, string what) =>
        Until(
            _ =>
            {
                var place = Middle(find());
                Touch("touchStart", place);
                Touch("touchEnd", null);
                return true;
            },
            $"“{what}” can be touched"
        );

    /// <summary>Puts a finger on something and draws it along.</summary>
    public void Drag(Func<IWebElement> find, int down)
    {
        var (x, y) = Middle(find());
        Touch("touchStart", (x, y));
        for (var i = 1; i <= 8; i++)
        {
            Touch("touchMove", (x, y + (down * i / 8.0)));
        }
        Touch("touchEnd", null);
    }

    /// <summary>Brings it into view and waits until it stands still: what moves while lines appear above it is pressed beside it.</summary>
    private (double X, double Y) Middle(IWebElement element)
    {
        var box = (System.Collections.ObjectModel.ReadOnlyCollection<object>)
            Driver.ExecuteAsyncScript(
                """
                const [element, done] = arguments;
                element.scrollIntoView({ block: 'center' });
                let last = '';
                const look = () => {
                  const b = element.getBoundingClientRect();
                  const at = [b.left + b.width / 2, b.top + b.height / 2];
                  if (last === at.join()) done(at);
                  else { last = at.join(); requestAnimationFrame(look); }
                };
                look();
                """,
                element
            )!;
        return (
            Convert.ToDouble(box[0], System.Globalization.CultureInfo.InvariantCulture),
            Convert.ToDouble(box[1], System.Globalization.CultureInfo.InvariantCulture)
        );
    }

    private void Touch(string kind, (double X, double Y)? at) =>
        Driver.ExecuteCdpCommand(
            "Input.dispatchTouchEvent",
            new Dictionary<string, object?>
            {
                ["type"] = kind,
                ["touchPoints"] = at is { } p
                    ? new object[]
                    {
                        new Dictionary<string, object> { ["x"] = p.X, ["y"] = p.Y },
                    }
                    : [],
            }
        );

    public void Dispose() => _chromium.Return(_origins);

    // The page's own innerText: WebDriver's text walks every element with a script of its own.
    private static string Body(ChromeDriver d) =>
        (string?)d.ExecuteScript("return document.body?.innerText") ?? "";

    private static string Quoted(string text) =>
        text.Contains('\'', StringComparison.Ordinal) ? $"\"{text}\"" : $"'{text}'";
}
