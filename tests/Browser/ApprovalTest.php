<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;

/** A proof goes to a customer's telephone, comes back with pins, is mended, goes again and is approved; then the job leaves. */
final class ApprovalTest extends BrowserTestCase
{
    use OnACustomersTelephone;
    use OnTheBench;

    #[Test]
    public function a_customer_marks_two_places_on_a_telephone_and_says_yes_to_what_was_mended(): void
    {
        $this->emptyBench('Quay sign', 'plain', '100mm', '50mm');
        $this->drawShape('rectangle', 10, 10, 20, 30);
        $left = $this->lastPiece()->id;
        $this->drawShape('ellipse', 60, 10, 30, 30);
        $right = $this->lastPiece()->id;
        $job = (int) preg_replace('~.*/jobs/(\d+).*~', '$1', self::$browser->getCurrentURL());
        $this->pressed('[data-test=prepare]');
        $this->visit("/jobs/{$job}/proof");
        $first = $this->share();
        self::assertSame('shown', $this->see('[data-stage=proof] .state')->getText());

        $this->telephone(true);
        self::$browser->get($first);
        $this->see('[data-test=no]');
        self::assertLessThanOrEqual(360, self::$browser->executeScript('return document.documentElement.scrollWidth'), 'nothing lies beside the telephone');
        self::assertSame(0, $this->howMany('a[href]'), 'it leads to nothing else');
        self::assertStringContainsString('100 × 50 mm', $this->see('dl')->getText());
        $this->pressed('[data-test=no]');
        $this->pin(0.2, 0.5, 'Make this <b>rounder</b>');
        $this->pin(0.5, 0.1, 'A star here');
        // Without a mouse, arrows move a pin: to the middle of the ellipse.
        $last = $this->see('[data-pin="1"]');
        for ($i = 0; $i < 5; $i++) {
            $last->sendKeys([WebDriverKeys::SHIFT, WebDriverKeys::ARROW_RIGHT, WebDriverKeys::NULL]);
        }
        for ($i = 0; $i < 8; $i++) {
            $last->sendKeys([WebDriverKeys::SHIFT, WebDriverKeys::ARROW_DOWN, WebDriverKeys::NULL]);
        }
        $this->see('[data-test=by]')->sendKeys('Ines <Harrow>');
        $this->pressed('[data-test=say]');
        $this->seeText('Ines <Harrow> asked for a change.', '[data-test=last]');
        $this->telephone(false);

        // At the bench each pin stands at the piece that it means.
        $this->visit("/jobs/{$job}/proof");
        self::until(fn (): ?bool => $this->see('[data-stage=proof] .state')->getText() === 'change asked' ? true : null, 'what came back', 20);
        $this->seeText('Make this <b>rounder</b>', '[data-test=customer]');
        $looks = self::$browser->findElements(WebDriverBy::cssSelector('[data-look]'));
        self::assertCount(2, $looks);
        $looks[0]->click();
        self::until(fn (): ?bool => $this->chosen() === [$left] ? true : null, 'the piece under the first pin', 10);
        $places = self::$browser->executeScript('const r = document.querySelector("[data-test=art] [data-piece=\"'.$left.'\"]").getBoundingClientRect(), p = document.querySelector("[data-pin]").getBoundingClientRect(); return [r.left + r.width / 2, p.left + p.width / 2]');
        self::assertEqualsWithDelta($places[0], $places[1], 3.0, 'a pin at a fifth of the width lies on the middle of the square');
        $looks[1]->click();
        self::until(fn (): ?bool => $this->chosen() === [$right] ? true : null, 'the piece under the second pin', 10);

        // Mended, marked as done, shown again and approved.
        $this->pressed('[data-test=settle]');
        self::until(fn (): ?bool => $this->howMany('[data-pin]') === 0 ? true : null, 'pins that are done to go', 10);
        $this->visit("/jobs/{$job}/draw");
        $this->see('.page');
        $this->drawShape('star', 45, 15, 10, 10);
        $this->pressed('[data-test=prepare]');
        $this->visit("/jobs/{$job}/proof");
        $second = $this->share();
        $this->telephone(true);
        self::$browser->get($second);
        $this->pressed('[data-test=yes]');
        $this->pressed('[data-test=say]');
        $this->seeText('Give your name.');
        $this->see('[data-test=by]')->sendKeys('Ines');
        $this->pressed('[data-test=say]');
        $this->seeText('Approved by Ines.', '[data-test=last]');
        $this->telephone(false);
        $this->visit("/jobs/{$job}/proof");
        self::until(fn (): ?bool => $this->see('[data-stage=proof] .state')->getText() === 'approved' ? true : null, 'the yes', 20);
        $this->visit('/');
        $this->seeText('approved', '[data-test=customer-says]');

        // Changed once more, it is asked before anything leaves.
        $this->visit("/jobs/{$job}/draw");
        $this->see('.page');
        $this->drawShape('heart', 2, 2, 6, 6);
        $this->pressed('[data-test=prepare]');
        $this->visit("/jobs/{$job}/send");
        $this->seeText('The customer approved an earlier state of this job.', '[data-test=send-verdict]');

        // A link that is taken back leads nowhere.
        $this->visit("/jobs/{$job}/proof");
        $this->pressed('[data-test=take-back]');
        usleep(800_000);
        self::$browser->get($second);
        $this->seeText('The link may have ended', '[data-test=nowhere]');
        self::assertSame([], array_filter($this->complaints(), static fn (string $line): bool => ! str_contains($line, '/shown/')));
    }

    #[Test]
    public function the_page_of_the_customer_holds_to_the_rules_for_everybody(): void
    {
        self::$browser->manage()->timeouts()->setScriptTimeout(60);
        $this->visit('/jobs/4/proof');
        $link = $this->share();
        self::$browser->get($link);
        foreach (['[data-test=yes]', '[data-test=no]'] as $choice) {
            self::$browser->navigate()->refresh();
            $this->pressed($choice);
            if ($choice === '[data-test=no]') {
                $this->pressed('[data-test=add-pin]');
            }
            self::$browser->executeScript((string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js'));
            $found = self::$browser->executeAsyncScript('const done = arguments[0]; axe.run(document, { runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"] }).then((all) => done(all.violations.map((one) => `${one.id}: ${one.nodes[0].target.join(" ")}`)))');
            self::assertSame([], $found, $choice);
        }
        // Pictures of the guide.
        $this->telephone(true);
        self::$browser->navigate()->refresh();
        $this->see('[data-test=yes]');
        self::$browser->executeScript('scrollTo(0, 0)');
        $this->picture('customer');
        $this->telephone(false);
        self::asPage('shown/'.basename($link).'/answers', ['kind' => 'changes', 'by' => 'Ines Harrow', 'words' => 'Nearly there.', 'pins' => [
            ['x' => 300, 'y' => 190, 'words' => 'The lantern a little larger'], ['x' => 243, 'y' => 272, 'words' => 'A white sail here'],
        ]]);
        $this->visit('/jobs/4/proof');
        $this->pressed('[data-look]');
        self::until(fn (): ?bool => $this->howMany('[data-pin]') === 2 ? true : null, 'both pins', 10);
        self::$browser->executeScript('document.querySelector("[data-test=fit]").click(); document.querySelector("[data-answer]").scrollIntoView({ block: "center" })');
        $this->picture('bench-proof');
    }

    private function picture(string $name): void
    {
        if (getenv('NEAT_EDGE_KEEP') === '1') {
            usleep(900_000);
            self::$browser->takeScreenshot(dirname(__DIR__, 2)."/docs/screenshots/{$name}.png");
        }
    }
}
