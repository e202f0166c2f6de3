<?php

declare(strict_types=1);

/**
 * Read once, before the first request: what nearly every request needs is there then for all web workers, linked and without a look at the disk.
 * Classes whose parents are not installed are left to whoever needs them.
 */
(static function (): void {
    $root = dirname(__DIR__);
    require $root.'/vendor/autoload.php';
    $wanted = '/^(NeatEdge\\\\Core\\\\|App\\\\(Drawn|Http|Models|People|Policies|Prep|Providers|Words|Works)\\\\'
        .'|Illuminate\\\\(Auth|Cache|Config|Container|Contracts|Cookie|Database\\\\(Eloquent|Query)|Encryption|Events|Filesystem|Foundation\\\\(Application|Http)|Http|Log|Pipeline|Queue|Redis|Routing|Session|Support|Translation|Validation)\\\\'
        .'|Symfony\\\\Component\\\\HttpFoundation\\\\)/';
    foreach (require $root.'/vendor/composer/autoload_classmap.php' as $class => $file) {
        if (preg_match($wanted, $class) !== 1 || str_contains($file, '/Console/') || preg_match('/Test|IdentityMarshaller/', $class) === 1) {
            continue;
        }
        try {
            class_exists($class);
        } catch (Throwable) {
            continue;
        }
    }
})();
