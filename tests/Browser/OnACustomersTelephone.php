<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\WebDriverBy;

/** A link is made at Proof, and opened as a customer does who has nothing but it. */
trait OnACustomersTelephone
{
    private function telephone(bool $on): void
    {
        $tools = new ChromeDevToolsDriver(self::$browser);
        $on ? $tools->execute('Emulation.setDeviceMetricsOverride', ['width' => 360, 'height' => 740, 'deviceScaleFactor' => 2, 'mobile' => true])
            : $tools->execute('Emulation.clearDeviceMetricsOverride', []);
    }

    private function pressed(string $selector): void
    {
        $this->see($selector);
        self::$browser->executeScript('document.querySelector(arguments[0]).scrollIntoView({ block: "center" })', [$selector]);
        usleep(150_000);
        self::$browser->findElement(WebDriverBy::cssSelector($selector))->click();
    }

    private function share(): string
    {
        $this->pressed('[data-test=share]');
        $link = (string) $this->see('[data-test=link]')->getAttribute('value');
        self::assertMatchesRegularExpression('~^http://127\.0\.0\.1:\d+/shown/[\w-]{43}$~', $link);

        return $link;
    }

    /** Presses the picture at a share of its width and height, as a finger does. */
    private function pin(float $x, float $y, string $words): void
    {
        $number = $this->howMany('[data-pin]');
        self::$browser->executeScript('document.querySelector("[data-test=picture]").scrollIntoView({ block: "start" })');
        usleep(150_000);
        $box = self::$browser->executeScript('const r = document.querySelector("[data-test=picture]").getBoundingClientRect(); return [r.left, r.top, r.width, r.height]');
        (new ChromeDevToolsDriver(self::$browser))->execute('Input.dispatchMouseEvent', $at = ['type' => 'mousePressed', 'button' => 'left', 'clickCount' => 1, 'x' => $box[0] + $x * $box[2], 'y' => $box[1] + $y * $box[3]]);
        (new ChromeDevToolsDriver(self::$browser))->execute('Input.dispatchMouseEvent', ['type' => 'mouseReleased'] + $at);
        $this->see("#pin-{$number}")->sendKeys($words);
    }
}
