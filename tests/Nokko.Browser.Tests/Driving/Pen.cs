using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace Nokko.Driving;

/// <summary>Signs in the field of the page.</summary>
public static class Pen
{
    /// <summary>Draws a line that goes up and down.</summary>
    public static void Signs(Browser b)
    {
        var field = b.Until(d => d.FindElement(By.CssSelector("canvas")), "a field to sign in");
        b.Driver.ExecuteScript("arguments[0].scrollIntoView({block:'center'})", field);
        var pen = new Actions(b.Driver).MoveToElement(field, -100, 0).ClickAndHold();
        for (var i = 0; i < 8; i++)
        {
            pen.MoveByOffset(20, i % 2 == 0 ? 15 : -15);
        }
        pen.Release().Perform();
    }
}
