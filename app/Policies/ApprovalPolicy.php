<?php

declare(strict_types=1);

namespace App\Policies;

/** Who may do what with it; see HouseRules. */
final class ApprovalPolicy extends HouseRules
{
}
