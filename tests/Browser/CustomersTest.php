<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;

/** Who jobs are for, from the ticket to the list of what is to be done. */
final class CustomersTest extends BrowserTestCase
{
    private function ticket(int $job, string $customer, string $due): void
    {
        $this->visit("/jobs/{$job}/set-up");
        $field = $this->see('[data-test=customer]');
        $field->sendKeys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL]);
        $field->sendKeys($customer);
        self::$browser->executeScript('const one = document.querySelector("[data-test=due]"); one.value = arguments[0]; one.dispatchEvent(new Event("input", { bubbles: true }))', [$due]);
        $field->submit();
        $this->seeText('Saved.', '.drawer');
    }

    #[Test]
    public function who_stands_on_two_tickets_is_joined_and_their_work_is_found_by_its_day(): void
    {
        $today = date('Y-m-d');
        $this->ticket(4, 'Quay House Boats', $today);
        $this->ticket(3, 'Quay House', date('Y-m-d', time() - 3 * 86_400));
        $this->visit('/customers');
        $this->see('[data-test=search]')->sendKeys('quay');
        self::until(fn (): ?bool => $this->howMany('[data-test=customer]') === 2 ? true : null, 'both of them', 10.0);
        $this->press('[data-test=customer] a');
        $this->see('[data-test=phone]')->sendKeys(['07 00', WebDriverKeys::ENTER]);
        $this->seeText('due', '[data-test=due-job]');
        $other = $this->howMany('[data-test=due-job]');
        self::assertSame(1, $other);
        $id = (int) self::$browser->executeScript('return fetch("/api/v1/customers?search=quay").then((one) => one.json()).then((one) => one.customers.find((each) => !location.pathname.endsWith(`/${each.id}`)).id)');
        $this->pick('.choose:has([data-test=join])', (string) $id);
        $this->press('.el-message-box .el-button--primary');
        self::until(static fn (): ?bool => str_ends_with(self::$browser->getCurrentURL(), "/customers/{$id}") ?: null, 'the other', 10.0);
        self::until(fn (): ?bool => $this->howMany('[data-test=due-job]') === 2 ? true : null, 'the jobs of both', 10.0);
        self::assertSame('07 00', $this->see('[data-test=phone] input, input[data-test=phone]')->getAttribute('value'));
        $this->visit('/today');
        $this->see('[data-day=late] [data-test=due-job]');
        $this->see("[data-day=\"{$today}\"] [data-test=due-job]");
        $this->pick('.choose:has([data-test=whom])', 'customer');
        $this->see('[data-test=none]');
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function a_whole_job_goes_out_as_a_file_and_becomes_one_again(): void
    {
        $this->visit('/jobs/2/set-up');
        $title = (string) $this->see('.drawer input')->getAttribute('value');
        $this->press('[data-test=whole]');
        $file = $this->downloaded();
        self::assertStringEndsWith('.job.zip', $file);
        $this->visit('/new');
        $this->upload($file);
        $this->press('[data-test=open-whole]');
        $id = self::until(
            static fn (): ?int => preg_match('~/jobs/(\d+)~', self::$browser->getCurrentURL(), $found) === 1 ? (int) $found[1] : null,
            'the job',
            20.0,
        );
        self::assertGreaterThan(9, $id, 'another than any of the demo');
        $this->seeText($title);
        $this->visit('/new');
        $damaged = self::$folder.'/damaged.job.zip';
        file_put_contents($damaged, substr((string) file_get_contents($file), 0, 900));
        $this->upload($damaged);
        $this->press('[data-test=open-whole]');
        $this->seeText('That is no file of a job, or it is damaged.', '[data-test=problem]');
        self::assertSame([], $this->complaints());
    }
}
