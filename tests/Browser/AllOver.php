<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/** Ways over all of the page, for what has to hold wherever one looks. */
trait AllOver
{
    use OnTheBench;

    /** Presses it wherever it is, and waits until what it opens stands still. */
    private function pushed(string $selector): void
    {
        $this->see($selector);
        self::$browser->executeScript('document.querySelector(arguments[0]).click()', [$selector]);
        self::still();
    }

    private function unfold(): void
    {
        self::$browser->executeScript('document.querySelectorAll("details").forEach((one) => (one.open = true))');
        self::still();
    }

    /** @param  callable(string): void  $holds  with the name of what is looked at */
    private function drawingTools(callable $holds): void
    {
        foreach (['arrange', 'nodes', 'shape', 'curve', 'brush', 'text', 'pick'] as $tool) {
            $this->pushed("[data-tool={$tool}]");
            $this->unfold();
            $holds("the tool {$tool}");
        }
    }

    /** @param  callable(string): void  $holds */
    private function shapingTools(callable $holds): void
    {
        $this->visit('/jobs/7/shape');
        $this->see('.page');
        $this->keys(WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL);
        foreach (['cells', 'part', 'weave', 'wrap', 'outset', 'trim', 'clean-nodes', 'cut-border'] as $tool) {
            $this->pushed("[data-test={$tool}]");
            $holds("{$tool} in hand");
        }
    }

    /** @param  callable(string): void  $holds */
    private function tabsOfSend(callable $holds): void
    {
        $this->visit('/jobs/4/send');
        foreach (['laying', 'files', 'machine', 'sizes', 'sheets'] as $tab) {
            $this->pushed("[data-test=send-{$tab}]");
            $holds("Send, {$tab}");
        }
    }
}
